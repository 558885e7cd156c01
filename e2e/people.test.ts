/** People on a server of a team: who gets in, what each may, and that what is taken is gone at once. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { after, before, test } from 'node:test'
import { database, pool } from '../src/server/database'
import { Transport, VirtualAuthenticatorOptions } from 'selenium-webdriver/lib/virtual_authenticator.js'
import { By, Key, client, eventually, openBrowser, sleep, startServer, within } from './support'
import { PASSWORD, Visitor } from './visitor'
import { freshProjection } from '../src/server/folioDocument'

const base = 'http://localhost:4141'
let server: ChildProcess
const ada = new Visitor(base, 'Ada')
const ben = new Visitor(base, 'Ben')

before(async () => {
  server = await startServer(4141, { IDLE_COMPASS_MODE: 'team' })
  await ada.signUp()
})
after(async () => {
  server.kill('SIGKILL')
  await pool().end()
})

/** Mails of the outbox to somebody, the newest first. */
const mailsTo = async (name: string): Promise<string[]> => {
  const rows = await database()
    .selectFrom('mail')
    .select('words')
    .where('recipient', '=', `${name.toLowerCase()}@gannet.example`)
    .orderBy('made_at', 'desc')
    .execute()
  return rows.map((r) => r.words)
}

test('the first account is made once; after it there is no way in without an invitation', async () => {
  const cid = new Visitor(base, 'Cid')
  const refused = await cid.ask('POST', '/api/account', {
    ...{ name: 'Cid', email: 'cid@gannet.example', password: PASSWORD },
  })
  assert.equal(refused.status, 403)
  assert.equal((await cid.ask('GET', '/api/account')).status, 401)
  assert.equal(
    (await cid.ask('POST', '/api/auth/sign-up/email', { email: 'x@y.example', password: PASSWORD, name: 'X' })).status,
    404,
  )
  const page = await cid.ask('GET', '/')
  assert.equal(page.status, 307)
  assert.match(page.headers.get('location') ?? '', /\/sign-in\?to=/)
})

/** What the driver does and its types do not say (WebAuthn, section 11: user agent automation). */
type Device = {
  readonly addVirtualAuthenticator: (options: VirtualAuthenticatorOptions) => Promise<void>
  readonly removeAllCredentials: () => Promise<void>
}

test('a passkey is made in the settings, and lets its owner in without a password', async () => {
  const b = await openBrowser(base)
  try {
    const key = new VirtualAuthenticatorOptions()
    key.setHasResidentKey(true)
    key.setHasUserVerification(true)
    key.setIsUserVerified(true)
    key.setTransport(Transport.INTERNAL)
    const device = b.driver as typeof b.driver & Device
    await device.addVirtualAuthenticator(key)
    await b.driver.get(`${base}/sign-in?to=%2Faccount`)
    await (await b.find('[name=email]')).sendKeys('ada@gannet.example')
    await (await b.find('[name=password]')).sendKeys(PASSWORD, Key.ENTER)
    await b.click('Add a passkey')
    await (await b.find('[aria-label="What the passkey is called"]')).sendKeys('The bridge laptop', Key.ENTER)
    await b.find('//li[contains(., "The bridge laptop")]')
    await b.driver.manage().deleteAllCookies()
    await b.driver.get(`${base}/sign-in?to=%2Faccount`)
    await b.click('Sign in with a passkey')
    await b.find('//h1[normalize-space(.)="Ada"]')
    await b.find('//li[contains(., "The bridge laptop") and contains(., "used")]')
    await device.removeAllCredentials()
    await b.driver.manage().deleteAllCookies()
    await b.driver.get(`${base}/sign-in`)
    await b.click('Sign in with a passkey')
    await b.find('//*[@role="alert" and contains(., "No passkey was used")]')
    assert.equal((await b.driver.findElements(By.css('[data-sync]'))).length, 0)
  } finally {
    await b.close()
  }
})

test('an invitation that two take up at once makes one account', async () => {
  const { id: team } = await ada.json<{ id: string }>('POST', '/api/teams', { name: 'Deck crew' })
  const { address } = await ada.json<{ address: string }>('POST', `/api/teams/${team}/invitations`, {
    email: null,
    role: 'reader',
  })
  const invitation = address.split('/').at(-1) ?? ''
  const answers = await Promise.all(
    ['Eve', 'Fay', 'Gus'].map((name) =>
      new Visitor(base, name).ask('POST', '/api/account', {
        name,
        email: `${name.toLowerCase()}@gannet.example`,
        password: PASSWORD,
        invitation,
      }),
    ),
  )
  assert.deepEqual(answers.map((a) => a.status).toSorted(), [201, 410, 410])
})

test('what a team has agreed on holds for its folios: the style they begin in, its words, its patterns', async () => {
  const { id: team } = await ada.json<{ id: string }>('POST', '/api/teams', { name: 'Shore crew' })
  const { shelves } = await ada.json<{ shelves: { id: string; teamId: string | null }[] }>('GET', '/api/shelves')
  const shelf = shelves.find((s) => s.teamId === team)?.id ?? assert.fail('the team has a shelf')
  await ada.json('POST', `/api/teams/${team}/standard`, { style: 'log-book', own: null })
  await ada.json('PATCH', `/api/teams/${team}/glossary`, {
    glossary: 'master: who commands the ship\nbow door – in front',
  })
  const text = '# Fog\n\nSound the horn.'
  const { id } = await ada.json<{ id: string }>('POST', '/api/folios', { text, shelf })
  const { team: house } = await ada.json<{ team: unknown }>('GET', `/api/folios/${id}/house`)
  assert.deepEqual(house, { id: team, name: 'Shore crew', style: 'log-book', terms: ['master', 'bow door'], may: true })
  assert.equal((await freshProjection(id)).dress.style, 'log-book')
  const own = await ada.folio(text)
  assert.notEqual((await freshProjection(own)).dress.style, 'log-book')
  assert.deepEqual(await ada.json('GET', `/api/folios/${own}/house`), { team: null })
  await ada.json('POST', '/api/patterns', { folio: id, name: 'Fog', team })
  const { patterns } = await ada.json<{ patterns: { name: string; of: string }[] }>('GET', '/api/patterns')
  assert.ok(patterns.some((p) => p.name === 'Fog'))
})

test('a folio shared by mail: the invitation makes an account once, and the folio is there with the role it was given', async () => {
  const folio = await ada.folio('# Boarding\n\nCheck the ramp.')
  await ada.share(folio, 'ben@gannet.example', 'reviewer')
  const [words = ''] = await mailsTo('Ben')
  const token = /invitation\/([\w-]+)/.exec(words)?.[1] ?? assert.fail(words)
  await ben.signUp(token)
  assert.equal((await ben.ask('GET', `/api/folios/${folio}/exports`)).status, 200)
  assert.equal((await ben.ask('POST', `/api/folios/${folio}/updates`, new Uint8Array([0, 0]))).status, 403)
  assert.equal((await ben.ask('DELETE', `/api/folios/${folio}`)).status, 403)
  const again = new Visitor(base, 'Again')
  assert.equal(
    (
      await again.ask('POST', '/api/account', {
        name: 'A',
        email: 'ben@gannet.example',
        password: PASSWORD,
        invitation: token,
      })
    ).status,
    410,
  )
})

/** Let in for no moment more, nobody at all soon after, and told that there is nothing here. */
async function shutOut(guest: Visitor, folio: string): Promise<void> {
  await within('the guest is nobody', 2000, async () => {
    const { status } = await guest.ask('GET', `/api/folios/${folio}/exports`)
    assert.ok(status >= 400, String(status))
    return status === 401
  })
  // Not a page to sign in at: there is nothing they could sign in to.
  assert.equal((await guest.ask('GET', `/folio/${folio}`)).status, 404)
}

test('guest links let in by name, ask for their password, end, and are taken back while somebody reads', async (t) => {
  const folio = await ada.folio('# Fog\n\nSound the horn.')
  const guest = new Visitor(base, 'Gil')
  const link = await ada.link(folio, 'reader', { password: 'tide' })
  assert.equal((await guest.ask('POST', '/api/auth/guest/enter', { token: link.token, name: 'Gil' })).status, 403)
  assert.equal((await guest.enter(link.token, 'tide')).status, 200)
  const reading = client(t, base, folio, guest.headers)
  await eventually('the guest reads', 5000, () => reading.states.includes('saved'))
  const shown = await ada.json<{ links: { id: string; guests: { name: string }[] }[] }>(
    'GET',
    `/api/folios/${folio}/shares`,
  )
  assert.deepEqual(
    shown.links[0]?.guests.map((g) => g.name),
    ['Gil'],
  )
  const before = reading.states.length
  await ada.json('DELETE', `/api/folios/${folio}/links/${link.id}`)
  await within('the stream has ended', 2000, () => reading.states.slice(before).includes('refused'))
  await shutOut(guest, folio)
  assert.equal((await guest.enter(link.token, 'tide')).status, 404)
  const soon = await ada.link(folio, 'editor', { endsAt: new Date(Date.now() + 1500) })
  const late = new Visitor(base, 'Lou')
  assert.equal((await late.enter(soon.token)).status, 200)
  assert.equal((await late.ask('GET', `/api/folios/${folio}/exports`)).status, 200)
  await sleep(1600)
  await shutOut(late, folio)
})

test('a new password ends all sessions and their streams; the address is good once', async (t) => {
  const folio = await ada.folio('# Tide\n\nLook at the table.')
  const elsewhere = new Visitor(base, 'Ada')
  assert.equal((await elsewhere.signIn()).status, 200)
  const reading = client(t, base, folio, elsewhere.headers)
  await eventually('it reads', 5000, () => reading.states.includes('saved'))
  const asked = await elsewhere.ask('POST', '/api/auth/request-password-reset', { email: 'ada@gannet.example' })
  const unknown = await elsewhere.ask('POST', '/api/auth/request-password-reset', { email: 'nobody@gannet.example' })
  assert.deepEqual([asked.status, await asked.text()], [unknown.status, await unknown.text()])
  const token = /token=([\w-]+)/.exec(
    await eventually('the mail', 3000, () => mailsTo('Ada').then((m) => m[0] ?? null)),
  )?.[1]
  const newPassword = 'another ramp that holds'
  assert.equal((await elsewhere.ask('POST', '/api/auth/reset-password', { token, newPassword })).status, 200)
  await within('the stream has ended', 2000, () => reading.states.at(-1) === 'refused')
  assert.equal((await elsewhere.ask('POST', '/api/auth/reset-password', { token, newPassword: PASSWORD })).status, 400)
  assert.equal((await ada.ask('GET', '/api/account')).status, 401)
  assert.equal((await ada.signIn()).status, 401)
  assert.equal((await ada.signIn(newPassword)).status, 200)
  assert.equal(
    (await ada.ask('POST', '/api/auth/change-password', { currentPassword: newPassword, newPassword: PASSWORD }))
      .status,
    200,
  )
})

test('guesses are slowed down by account, whatever the address; a sign-in from another site is refused', async () => {
  const guesser = new Visitor(base, 'Ben')
  const answers: number[] = []
  for (let i = 0; i < 12; i++) answers.push((await guesser.signIn(`wrong password ${i}`)).status)
  assert.ok(answers.includes(401) && answers.includes(429), answers.join())
  // A session that somebody brings along is not taken over.
  const brought = new Visitor(base, 'Ada')
  const answer = await brought.ask(
    'POST',
    '/api/auth/sign-in/email',
    { email: 'ada@gannet.example', password: PASSWORD },
    { cookie: 'compass.session_token=fixed.by-somebody' },
  )
  assert.equal(answer.status, 200)
  assert.ok(
    answer.headers
      .getSetCookie()
      .some((c) => /session_token=(?!fixed)/.test(c) && /HttpOnly/i.test(c) && /SameSite=Lax/i.test(c)),
  )
  // Whether there is an account does not show in how long it takes: a password is hashed either way.
  const took = async (name: string) => {
    const since = performance.now()
    await new Visitor(base, name).signIn('wrong password, surely')
    return performance.now() - since
  }
  let [known, unknown] = [0, 0]
  for (let i = 0; i < 3; i++) {
    known += await took('Ada')
    unknown += await took(`Nobody${i}`)
  }
  assert.ok(unknown > known / 4, `${unknown} ms for nobody, ${known} ms for somebody`)
  const foreign = await guesser.ask(
    'POST',
    '/api/auth/sign-in/email',
    { email: 'a@b.example', password: 'x' },
    { origin: 'https://other.example' },
  )
  assert.equal(foreign.status, 403)
})
