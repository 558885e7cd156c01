/** Prints the table of rights: who may do what. */
import { atLeast, folioRights, ownRights, roles, teamRights } from '../src/server/rights'

const line = (cells: readonly string[]): string => cells.map((c, i) => c.padEnd(i === 0 ? 14 : 9)).join(' ')

console.log(line(['To a folio', ...roles, 'guests', 'means']))
for (const [action, { least, guests, means }] of Object.entries(folioRights))
  console.log(line([action, ...roles.map((r) => (atLeast(r, least) ? 'yes' : '–')), guests ? 'as role' : '–', means]))
console.log(`\n${line(['To a team', ...roles, 'guests', 'means'])}`)
for (const [action, { least, means }] of Object.entries(teamRights))
  console.log(line([action, ...roles.map((r) => (atLeast(r, least) ? 'yes' : '–')), '–', means]))
console.log(`\n${line(['Of one’s own', 'members', 'guests', 'means'])}`)
for (const [action, { guests, means }] of Object.entries(ownRights))
  console.log(line([action, 'yes', guests ? 'yes' : '–', means]))
