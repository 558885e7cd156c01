/** Writes the JSON Schema of a figure from the one definition in `core/figure`. */
import { writeFileSync } from 'node:fs'
import { z } from 'zod'
import { figureSchema } from '../src/core/figure'

writeFileSync('docs/figure.schema.json', `${JSON.stringify(z.toJSONSchema(figureSchema, { io: 'input' }), null, 2)}\n`)
