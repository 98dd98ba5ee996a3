import { BASES } from '../fold'
import { forLeftHand, LIBRARY, wordsFor } from '.'

test('left and right change places, and nothing else does', () => {
  expect(forLeftHand('Left corner straight over, into the pocket of the right')).toBe(
    'Right corner straight over, into the pocket of the left',
  )
  expect(forLeftHand('the same number of layers left and right')).toBe(
    'the same number of layers right and left',
  )
  expect(forLeftHand('Brighten it, leftover')).toBe('Brighten it, leftover')
  const step = { say: 'Right half over to the left', note: 'to the right', look: ['left is right'], key: 'x' }
  expect(wordsFor('right', step)).toEqual(step)
  expect(wordsFor('left', step)).toEqual({
    say: 'Left half over to the right',
    note: 'to the left',
    look: ['right is left'],
    key: 'x',
  })
})

test('steps use the words for directions only: what is done is never "left" standing or "right"', () => {
  const sentences = [
    ...LIBRARY.flatMap(({ parts }) =>
      parts.flatMap(({ stages }) =>
        stages.flatMap(({ steps }) =>
          steps.flatMap(({ say, note, normal, look, rounds }) => [
            say,
            note,
            normal,
            ...(look ?? []),
            ...(rounds ?? []).map((round) => round.say),
          ]),
        ),
      ),
    ),
    ...BASES.flatMap(({ program }) => program.steps.flatMap(({ say, note }) => [say, note])),
  ].filter((sentence): sentence is string => sentence !== undefined && /\b(left|right)\b/i.test(sentence))
  expect(sentences.length).toBeGreaterThan(10)
  // As a direction the word stands before what it names, or after "to the", "its", "of the", "layers".
  const direction =
    /^(Left|Right) (corner|half|flap|leg|edge|end|side)|([Tt]he|its|layers) (left|right)\b|(left|right) (and|edge|corner|leg|side)\b/
  expect(sentences.filter((sentence) => !direction.test(sentence))).toEqual([])
  expect(
    sentences.filter((sentence) =>
      /\b(is|are|be|was) (left|right)\b|left (open|standing|the)\b/i.test(sentence),
    ),
  ).toEqual([])
})
