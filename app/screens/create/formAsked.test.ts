import { usualForm } from '../../../core/index.ts'
import type { Sizes } from '../../ui/useSizes.ts'
import { formAsked } from './formAsked.ts'

const sizes = {
  parse: (text: string) => {
    const value = Number(text.replace(',', '.')) * 10
    return value > 0 ? { ok: true, value } : { ok: false, message: `“${text}” is no length.` }
  },
} as unknown as Sizes

test('nothing is asked for while a length is missing; shares and choices are as usual', () => {
  const tube = usualForm('tube')
  expect(formAsked(tube, {}, sizes)).toEqual({})
  expect(formAsked(tube, { girth: '24', length: ' ' }, sizes)).toEqual({})
  expect(formAsked(tube, { girth: '24', length: '16,5' }, sizes)).toEqual({
    form: { family: 'tube', girth: 240, of: 'object', ease: 0.03, length: 165, end: 'open' },
  })
  expect(formAsked(tube, { girth: '24', length: '16', ease: '−2 %', of: 'tube' }, sizes).form).toMatchObject({
    ease: -0.02,
    of: 'tube',
  })
  expect(formAsked(usualForm('disc'), { across: '22' }, sizes).form).toEqual({ family: 'disc', across: 220 })
})

test('the first answer that cannot be is said at its field', () => {
  const tube = usualForm('tube')
  expect(formAsked(tube, { girth: 'x', length: '16' }, sizes).problem).toEqual({
    path: 'form.girth',
    text: '“x” is no length.',
  })
  const { problem, form } = formAsked(tube, { girth: '24', ease: '70', length: '16' }, sizes)
  expect(form).toBeUndefined()
  expect(problem).toMatchObject({ path: 'form.ease', text: expect.stringMatching(/From −10% to 20%/) })
})

test('an angle stands in for the length that comes from it, and not beside it', () => {
  const cone = usualForm('cone')
  expect(formAsked(cone, { to: '14' }, sizes)).toEqual({})
  expect(formAsked(cone, { to: '14', angle: '60' }, sizes)).toMatchObject({ degrees: 60, form: { to: 140 } })
  const both = formAsked(cone, { to: '14', angle: '60', length: '20' }, sizes)
  expect([both.degrees, both.form]).toMatchObject([undefined, { length: 200 }])
  expect(formAsked(cone, { to: '14', angle: '300' }, sizes).problem?.path).toBe('form.angle')
  expect(formAsked(usualForm('disc'), { across: '22', angle: '60' }, sizes).degrees).toBeUndefined()
})
