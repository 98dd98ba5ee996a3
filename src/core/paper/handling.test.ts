import { handlingOf } from '.'

test('what still creases and curls, by thickness (limits are common practice)', () => {
  expect(handlingOf(1, 0.1)).toEqual({ thicknessMm: 0.1, creasedWith: 'fingernail', curls: true })
  expect(handlingOf(4, 0.1)).toMatchObject({ creasedWith: 'fingernail', curls: false })
  expect(handlingOf(5, 0.1)).toMatchObject({ creasedWith: 'bone folder' })
  // Eight layers of copier paper, 0.8 mm: too thick to crease without tearing.
  expect(handlingOf(8, 0.1)).toMatchObject({ creasedWith: 'too thick' })
  expect(handlingOf(8, 0.07)).toMatchObject({ creasedWith: 'bone folder' })
})
