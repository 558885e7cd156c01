/** Every route, asked by everybody there is: what each is answered stands in `rights`, and nothing else. */
import assert from 'node:assert/strict'
import type { ChildProcess } from 'node:child_process'
import { readFileSync, readdirSync } from 'node:fs'
import path from 'node:path'
import { after, before, test } from 'node:test'
import { database, pool } from '../src/server/database'
import { atLeast, folioRights, ownRights, roles, teamRights, type Role } from '../src/server/rights'
import { found as foundFor } from '../src/server/search'
import { startServer } from './support'
import { Visitor } from './visitor'

const base = 'http://localhost:4145'
let server: ChildProcess

before(async () => {
  server = await startServer(4145, { IDLE_COMPASS_MODE: 'team' })
})
after(async () => {
  server.kill('SIGKILL')
  await pool().end()
})

type Action =
  keyof typeof folioRights | keyof typeof teamRights | keyof typeof ownRights | 'anybody' | 'token' | 'sign in'
/** A row each: the action that its handler asks for, and what is sent. A route without a row is a fault. */
const routes: Readonly<Record<string, readonly [Action, body?: unknown]>> = {
  'GET /api/health': ['anybody'],
  'GET /api/v1/openapi.json': ['anybody'],
  'POST /api/v1/read': ['token', {}],
  'POST /api/v1/draw': ['token', {}],
  'POST /api/v1/convert': ['token', {}],
  'GET /p/[token]': ['anybody'],
  'GET /public/[token]': ['anybody'],
  'GET /oembed': ['anybody'],
  'GET /api/folios/[id]/pages': ['read'],
  'POST /api/folios/[id]/pages': ['publish', {}],
  'PATCH /api/folios/[id]/pages/[token]': ['publish', {}],
  'DELETE /api/folios/[id]/pages/[token]': ['publish'],
  'POST /api/account': ['anybody', {}],
  'GET /api/auth/[...all]': ['sign in'],
  'POST /api/auth/[...all]': ['sign in'],
  'GET /api/[...rest]': ['work'],
  'POST /api/[...rest]': ['work', {}],
  'PUT /api/[...rest]': ['work', {}],
  'PATCH /api/[...rest]': ['work', {}],
  'DELETE /api/[...rest]': ['work'],
  'GET /api/account': ['own account'],
  'PATCH /api/account': ['own account', {}],
  'DELETE /api/account': ['own account'],
  'GET /api/account/sessions': ['own account'],
  'DELETE /api/account/sessions': ['own account'],
  'GET /api/account/passkeys': ['own account'],
  'DELETE /api/account/passkeys/[passkeyId]': ['own account'],
  'GET /api/account/doings': ['own account'],
  'GET /api/account/data': ['own account'],
  'GET /api/tokens': ['own account'],
  'POST /api/tokens': ['own account', {}],
  'DELETE /api/tokens/[id]': ['own account'],
  'GET /api/standard': ['own account'],
  'POST /api/standard': ['own account', {}],
  'DELETE /api/standard': ['own account'],
  'POST /api/folios': ['own account', {}],
  'GET /api/shelves': ['own account'],
  'GET /api/patterns': ['own account'],
  'POST /api/patterns': ['own account', {}],
  'DELETE /api/patterns/[id]': ['own account'],
  'POST /api/patterns/[id]/folios': ['own account', {}],
  'POST /api/shelves': ['own account', {}],
  'PATCH /api/shelves/[id]': ['own account', {}],
  'DELETE /api/shelves/[id]': ['own account'],
  'POST /api/folios/[id]/favourite': ['read', {}],
  'DELETE /api/folios/[id]/favourite': ['read'],
  'POST /api/folios/[id]/copy': ['copy', {}],
  'DELETE /api/folios/[id]/bin': ['delete'],
  'POST /api/invitations/[token]': ['own account', {}],
  'GET /api/teams': ['own account'],
  'POST /api/teams': ['own account', {}],
  'POST /api/teams/[id]/restored': ['own account', {}],
  'GET /api/teams/[id]': ['see team'],
  'PATCH /api/teams/[id]': ['run team', {}],
  'DELETE /api/teams/[id]': ['run team'],
  'POST /api/teams/[id]/standard': ['add to team', {}],
  'DELETE /api/teams/[id]/standard': ['add to team'],
  'PATCH /api/teams/[id]/glossary': ['add to team', {}],
  'POST /api/teams/[id]/invitations': ['run team', {}],
  'DELETE /api/teams/[id]/invitations/[invitationId]': ['run team'],
  'PATCH /api/teams/[id]/members/[accountId]': ['run team', {}],
  'DELETE /api/teams/[id]/members/[accountId]': ['run team'],
  'GET /api/pictures/[hash]': ['work'],
  'GET /api/fonts/[hash]': ['work'],
  'GET /api/sheets/[hash]': ['work'],
  'GET /api/icons/[family]/[name]': ['work'],
  'POST /api/translations': ['work', {}],
  'POST /api/drafts': ['work', {}],
  'POST /api/readings': ['work', {}],
  'POST /api/imports': ['work', {}],
  'GET /api/sources': ['work'],
  'POST /api/sources/[name]': ['work', {}],
  'POST /api/colours': ['work', {}],
  'PATCH /api/folios/[id]': ['delete', {}],
  'DELETE /api/folios/[id]': ['delete'],
  'POST /api/folios/[id]/restore': ['delete', {}],
  'GET /api/folios/[id]/events': ['read'],
  'POST /api/folios/[id]/updates': ['edit', new Uint8Array([9, 9, 9])],
  'POST /api/folios/[id]/presence': ['read', {}],
  'GET /api/folios/[id]/remarks': ['read'],
  'POST /api/folios/[id]/remarks': ['remark', {}],
  'PATCH /api/folios/[id]/remarks/[remarkId]': ['remark', {}],
  'DELETE /api/folios/[id]/remarks/[remarkId]': ['remark'],
  'POST /api/folios/[id]/remarks/[remarkId]/answers': ['remark', {}],
  'GET /api/folios/[id]/shares': ['share'],
  'POST /api/folios/[id]/shares': ['share', {}],
  'PATCH /api/folios/[id]/shares/[accountId]': ['share', {}],
  'DELETE /api/folios/[id]/shares/[accountId]': ['share'],
  'POST /api/folios/[id]/links': ['share', {}],
  'DELETE /api/folios/[id]/links/[linkId]': ['share'],
  'DELETE /api/folios/[id]/invitations/[invitationId]': ['share'],
  'GET /api/folios/[id]/exports': ['read'],
  'POST /api/folios/[id]/exports': ['read', {}],
  'GET /api/folios/[id]/exports/[exportId]': ['read'],
  'DELETE /api/folios/[id]/exports/[exportId]': ['edit'],
  'POST /api/folios/[id]/placed': ['read', {}],
  'POST /api/folios/[id]/pictures': ['edit', {}],
  'POST /api/folios/[id]/fonts': ['edit', {}],
  'POST /api/folios/[id]/sheets': ['edit', {}],
  'GET /api/folios/[id]/figures/[figureId]/file': ['read'],
  'GET /api/folios/[id]/figures/[figureId]/address': ['read'],
  'POST /api/folios/[id]/figures/[figureId]/address': ['publish', {}],
  'DELETE /api/folios/[id]/figures/[figureId]/address': ['publish'],
  'GET /api/folios/[id]/house': ['read'],
  'GET /api/folios/[id]/versions': ['read'],
  'POST /api/folios/[id]/versions': ['edit', {}],
  'GET /api/folios/[id]/versions/[versionId]': ['read'],
  'PATCH /api/folios/[id]/versions/[versionId]': ['edit', {}],
  'POST /api/folios/[id]/versions/[versionId]/restored': ['edit', {}],
  'GET /api/folios/[id]/figures/[figureId]/versions': ['read'],
  'POST /api/folios/[id]/figures/[figureId]/versions': ['edit', {}],
  'PATCH /api/folios/[id]/figures/[figureId]/versions/[versionId]': ['edit', {}],
}

/** The routes that there are: the files below `app`, and the methods they export. */
function found(): string[] {
  const out: string[] = []
  const walk = (folder: string) => {
    for (const entry of readdirSync(folder, { withFileTypes: true })) {
      const full = path.join(folder, entry.name)
      if (entry.isDirectory()) walk(full)
      else if (entry.name === 'route.ts') {
        const text = readFileSync(full, 'utf8')
        for (const method of ['GET', 'POST', 'PUT', 'PATCH', 'DELETE'])
          if (new RegExp(`export (?:const|async function|function) ${method}\\b|\\bas ${method}\\b`).test(text))
            out.push(`${method} /${path.relative('src/app', folder)}`)
      }
    }
  }
  walk('src/app')
  return out.toSorted()
}

test('every route has its row', () => assert.deepEqual(Object.keys(routes).toSorted(), found()))

/** Somebody, and what they are to the folio and the team. */
type Who = {
  readonly visitor: Visitor
  readonly role: Role | null
  readonly team: Role | null
  readonly guest: boolean
  readonly signedIn: boolean
}

async function everybody(): Promise<{ readonly folio: string; readonly team: string; readonly all: readonly Who[] }> {
  const owner = await new Visitor(base, 'Owner').signUp()
  const folio = await owner.folio('# Boarding\n\nCheck the ramp.')
  const { id: team } = await owner.json<{ id: string }>('POST', '/api/teams', { name: 'Deck crew' })
  const all: Who[] = [{ visitor: owner, role: 'owner', team: 'owner', guest: false, signedIn: true }]
  const invited = async (name: string, role: string): Promise<Visitor> => {
    const { address } = await owner.json<{ address: string }>('POST', `/api/teams/${team}/invitations`, {
      email: null,
      role,
    })
    return new Visitor(base, name).signUp(address.split('/').at(-1) ?? '')
  }
  for (const role of ['editor', 'reviewer', 'reader'] as const) {
    const visitor = await invited(`Member${role}`, role)
    await owner.share(folio, `member${role}@gannet.example`, role)
    all.push({ visitor, role, team: role, guest: false, signedIn: true })
    const guest = new Visitor(base, `Guest${role}`)
    assert.equal((await guest.enter((await owner.link(folio, role)).token)).status, 200)
    all.push({ visitor: guest, role, team: null, guest: true, signedIn: true })
  }
  const revokedLink = await owner.link(folio, 'editor')
  const revokedGuest = new Visitor(base, 'Shut')
  await revokedGuest.enter(revokedLink.token)
  await owner.json('DELETE', `/api/folios/${folio}/links/${revokedLink.id}`)
  // Nobody any more: no link lets them in.
  all.push({ visitor: revokedGuest, role: null, team: null, guest: true, signedIn: false })
  const revoked = await invited('Gone', 'editor')
  await owner.share(folio, 'gone@gannet.example', 'editor')
  const { people } = await owner.json<{ people: { id: string; name: string }[] }>('GET', `/api/folios/${folio}/shares`)
  const gone = people.find((p) => p.name === 'Gone')?.id
  await owner.json('DELETE', `/api/folios/${folio}/shares/${gone}`)
  await owner.json('DELETE', `/api/teams/${team}/members/${gone}`)
  all.push({ visitor: revoked, role: null, team: null, guest: false, signedIn: true })
  all.push({ visitor: new Visitor(base, 'Stranger'), role: null, team: null, guest: false, signedIn: false })
  return { folio, team, all }
}

/** What the answer must be: `in` for whatever comes after the door. */
function expected(action: Action, who: Who): 'in' | 401 | 403 | 404 {
  if (action === 'anybody' || action === 'sign in') return 'in'
  if (action === 'token') return 401
  if (!who.signedIn) return 401
  if (action in ownRights) return who.guest && !ownRights[action as 'work'].guests ? 403 : 'in'
  if (action in teamRights) {
    if (who.team === null) return 404
    return atLeast(who.team, teamRights[action as 'see team'].least) ? 'in' : 403
  }
  if (who.role === null) return 404
  const { least, guests } = folioRights[action as 'read']
  return atLeast(who.role, least) && (guests || !who.guest) ? 'in' : 403
}

/** Those that would end what the test stands on are asked last, by a name that is nobody's. */
const LAST = /^DELETE \/api\/(?:account|folios\/\[id\]|teams\/\[id\]|account\/sessions)$|^POST .*restore$/

test('every route answers each as the table of rights says', { timeout: 180_000 }, async () => {
  const { folio, team, all } = await everybody()
  const wrong: string[] = []
  const rows = Object.entries(routes).filter(([name]) => !LAST.test(name))
  const ask = async (name: string, who: Who) => {
    const [action, body] = routes[name] ?? assert.fail(name)
    const [method = '', pattern = ''] = name.split(' ')
    const id = pattern.startsWith('/api/teams') ? team : folio
    const at = pattern.replace('[id]', id).replace(/\[[^\]]*\]/g, 'nobody')
    const answer = await who.visitor.ask(method, at, method === 'GET' ? undefined : body)
    await answer.body?.cancel()
    const wanted = expected(action, who)
    const isIn = ![401, 403].includes(answer.status) && !(answer.status === 404 && wanted === 404)
    const fits = wanted === 'in' ? isIn || action === 'anybody' || action === 'sign in' : answer.status === wanted
    if (!fits) wrong.push(`${name} by ${who.visitor.name}: ${answer.status}, not ${wanted}`)
  }
  for (const [name] of rows) await Promise.all(all.map((who) => ask(name, who)))
  // The owner last: whoever may not is asked while all is there.
  for (const name of Object.keys(routes).filter((n) => LAST.test(n)))
    for (const who of all.toReversed()) {
      const [action] = routes[name] ?? assert.fail(name)
      if (expected(action, who) !== 'in') await ask(name, who)
    }
  assert.deepEqual(wrong, [])
  // What lists and searches show is what may be read, by the same rule.
  for (const { visitor, role } of all.filter((w) => w.signedIn)) {
    const { id } = await database()
      .selectFrom('account')
      .select('id')
      .where('name', '=', visitor.name)
      .executeTakeFirstOrThrow()
    const hits = (await foundFor(id, 'ramp')).filter((h) => h.folio === folio)
    assert.equal(hits.length > 0, role !== null, `${visitor.name} finds ${hits.length}`)
  }
  assert.ok(rows.length * all.length > 700, `${rows.length} routes by ${all.length} people`)
  assert.deepEqual([...roles], ['reader', 'reviewer', 'editor', 'owner'])
  const { count } = await database()
    .selectFrom('folio')
    .select((e) => e.fn.countAll<string>().as('count'))
    .where('deleted_at', 'is', null)
    .executeTakeFirstOrThrow()
  assert.ok(Number(count) > 0)
})
