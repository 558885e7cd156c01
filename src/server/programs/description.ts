/** The routes for programs described after OpenAPI 3.1, of the schemas that they check by. */
import { z } from 'zod'
import { fileTypes } from '../files/fileTypes'
import { scopes, type Scope } from '../tokens'
import { convertQuery, drawBody, readAnswer, readBody } from './schemas'

const json = (schema: z.ZodType, io: 'input' | 'output') => ({
  'application/json': { schema: z.toJSONSchema(schema, { io, unrepresentable: 'any' }) },
})
const files = Object.fromEntries(Object.values(fileTypes).map((type) => [type, {}]))
const problem = {
  description: 'Problem details (RFC 9457): `title` says what to do.',
  content: { 'application/problem+json': {} },
}

type Operation = { readonly path: string; readonly scope: Scope; readonly about: object }
/** A row each: `e2e` asks every one of them. */
export const operations: readonly Operation[] = [
  {
    path: '/api/v1/read',
    scope: 'read',
    about: {
      summary: 'Read a text as figures, best first',
      requestBody: { required: true, content: json(readBody, 'input') },
      responses: { 200: { description: 'Readings', content: json(readAnswer, 'output') }, default: problem },
    },
  },
  {
    path: '/api/v1/draw',
    scope: 'draw',
    about: {
      summary: 'Draw a text or a figure as a file',
      requestBody: { required: true, content: json(drawBody, 'input') },
      responses: { 200: { description: 'The file', content: files }, default: problem },
    },
  },
  {
    path: '/api/v1/convert',
    scope: 'convert',
    about: {
      summary: 'Convert a file that holds a figure, a table or a text',
      parameters: Object.entries(
        (z.toJSONSchema(convertQuery, { io: 'input' }) as { properties: object }).properties,
      ).map(([name, schema]) => ({ name, in: 'query', required: name === 'to', schema: schema as object })),
      requestBody: { required: true, content: { 'application/octet-stream': {} } },
      responses: { 200: { description: 'The file', content: files }, default: problem },
    },
  },
]

export const description = (server: string) => ({
  openapi: '3.1.0',
  info: { title: 'Idle Compass', version: '1', description: 'Text in, figures out.' },
  servers: [{ url: server }],
  components: {
    securitySchemes: {
      token: { type: 'http', scheme: 'bearer', description: `Allowed what its scopes say: ${scopes.join(', ')}.` },
    },
  },
  paths: Object.fromEntries(
    operations.map((o) => [o.path, { post: { ...o.about, security: [{ token: [o.scope] }], operationId: o.scope } }]),
  ),
})
