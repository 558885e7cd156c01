'use client'

import { Menu, MenuButton, MenuItem, MenuItems } from '@headlessui/react'
import Link from 'next/link'
import { usePerson } from './person'
import { signOut } from './signOut'
import { useWords } from '../words/words'

const ITEM = 'block w-full px-3 py-1.5 text-left data-[focus]:bg-sea-wash'

/** Who one is, at the end of the top line: the way to one's account, and out. */
export function PersonMenu() {
  const t = useWords()
  const person = usePerson()
  if (!person) return null
  const says = { member: '', guest: t('by a guest link'), demo: t('the demo person of this local start') }[person.kind]
  return (
    <Menu>
      <MenuButton
        className="button max-w-44"
        aria-label={[t('You are {name}', { name: person.name }), says].filter(Boolean).join(', ')}
      >
        <span className="truncate">{person.name}</span>
      </MenuButton>
      <MenuItems anchor="bottom end" className="z-30 mt-1 w-64 rounded-md border border-rule bg-page py-1 shadow-lg">
        {says && (
          <p className="px-3 py-1.5 text-[13px] text-quiet">
            {t('You are here as {name}, {says}.', { name: person.name, says })}
          </p>
        )}
        {person.kind !== 'guest' && (
          <MenuItem>
            <Link href="/account" className={ITEM}>
              {t('Account, teams, settings')}
            </Link>
          </MenuItem>
        )}
        <MenuItem>
          <Link href="/help" className={ITEM}>
            {t('Guide')}
          </Link>
        </MenuItem>
        {person.kind === 'member' ? null : (
          <MenuItem>
            <Link href="/sign-in" className={ITEM}>
              {t('Sign in with an account')}
            </Link>
          </MenuItem>
        )}
        {person.kind !== 'demo' && (
          <MenuItem>
            <button type="button" className={ITEM} onClick={() => void signOut()}>
              {t('Sign out')}
            </button>
          </MenuItem>
        )}
      </MenuItems>
    </Menu>
  )
}
