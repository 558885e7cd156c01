import { localService } from '../testing/localService'
import { askedSchema, httpTranslating, standIn, translatingFrom } from './translating'

const asked = askedSchema.parse({
  from: 'en',
  to: 'de',
  labels: ['Master', 'Check the moorings', 'Polish the bell'],
  memory: [['Polish the bell', 'Glocke putzen']],
})

test('the stand-in knows its glossary and what the folio says already, and makes nothing up', async () => {
  const { texts, by } = (await standIn.translate(asked)) as { texts: string[]; by: string }
  expect(texts).toEqual(['Kapitän', 'Festmacher prüfen', 'Glocke putzen'])
  expect(by).toMatch(/glossary/)
  expect(await standIn.translate({ ...asked, memory: [], to: 'fi' })).toMatchObject({ texts: [null, null, null] })
})

test('a configured service is asked, and whatever it does wrong is said', async () => {
  const answers: unknown[] = [{ texts: ['a', null, 'c'] }, { texts: ['only one'] }, 'no JSON']
  const service = await localService((_request, _body, response) => {
    const next = answers.shift()
    response.end(typeof next === 'string' ? next : JSON.stringify(next))
  })
  const translating = httpTranslating({ url: service.url, headers: {}, answerField: 'texts', timeoutMs: 2000 })
  expect(await translating.translate(asked)).toMatchObject({ texts: ['a', null, 'c'] })
  expect(await translating.translate(asked)).toMatchObject({ code: 'translation-failed' })
  expect(await translating.translate(asked)).toMatchObject({ code: 'translation-failed' })
  await service.close()
  expect(await translating.translate(asked)).toMatchObject({ code: 'translation-failed' })
  expect(translatingFrom({})).toBe(standIn)
})
