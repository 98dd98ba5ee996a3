import { fold, PETAL, type LineSpec, type MoveSpec, type PointSpec, type ShapeAct } from '../../fold'
import type { DesignSource } from '../types'
import { asSteps, stepsOfBase } from './steps'

const { at, lineOnto, middleOf, off, partWay, step, through, turnOverUpright, valley, workOn } = fold

const CENTRE = at(0.5, 0.5)
/** The sheet's corners: two become wings, two become legs, which are neck and tail later. */
const [FRONT_WING, BACK_WING] = [at(1, 1), at(0, 0)]
const [NECK, TAIL] = [at(1, 0), at(0, 1)]
/** The side corners of the diamond, by the leg and the wing they belong to. */
const SIDES = {
  neckFront: at(1 - PETAL, 0.5),
  neckBack: at(0.5, PETAL),
  tailFront: at(0.5, 1 - PETAL),
  tailBack: at(PETAL, 0.5),
} as const

const spine = through(FRONT_WING, CENTRE)

/** A lower edge of the diamond to the middle; both legs point down then, and lie on one line. */
const narrow = (side: PointSpec): MoveSpec =>
  valley(lineOnto(through(NECK, side), spine, middleOf(NECK, partWay(side, CENTRE, 0.3))), {
    moves: side,
    take: { at: partWay(middleOf(NECK, side), CENTRE, 0.05), layers: 1 },
  })

/** Half way down the piece: higher up the legs are still joined to the wings. */
const FORK = partWay(FRONT_WING, CENTRE, 0.5 / (1 - Math.SQRT1_2))
const LEAN_DEGREES = 18

/** A leg up between the wings. Its stack at the tip: four layers in front, four behind. */
const legUp = (tip: PointSpec, side: 1 | -1): MoveSpec => ({
  kind: 'reverse',
  way: 'inside',
  line: { turned: { square: spine, via: FORK }, about: FORK, degrees: -LEAN_DEGREES * side },
  moves: tip,
  at: off(tip, 0.004 * side, 0.05),
  upper: 4,
  layers: 8,
})

const alongNeck = through(NECK, FORK)
const headLine: LineSpec = {
  beside: { square: alongNeck, via: NECK },
  by: { gauges: { head: 1 } },
  towards: FORK,
}
const head: MoveSpec = {
  kind: 'reverse',
  way: 'inside',
  line: { turned: headLine, about: { meet: [alongNeck, headLine] }, degrees: 20 },
  moves: NECK,
  at: partWay(NECK, FORK, 0.02),
  upper: 4,
  layers: 8,
}

const wingDown = (tip: PointSpec, way: 'valley' | 'mountain'): MoveSpec => ({
  kind: 'fold',
  way,
  line: { square: spine, via: CENTRE },
  moves: tip,
  take: { at: partWay(tip, CENTRE, 0.1), layers: 1 },
})

/** A wing out to its side, front or back, and a little down again towards the tip. */
const wingLevel = (tip: PointSpec, side: 1 | -1): ShapeAct => ({
  act: 'bend',
  line: { square: spine, via: CENTRE },
  moves: tip,
  layers: side > 0 ? [[0.97, 0.97]] : [[0.03, 0.03]],
  curve: [
    { roll: { usual: side * 74, least: side * 60, most: side * 80 }, over: 0.05 },
    { roll: { usual: side * 34, least: side * 20, most: side * 45 }, over: 0.5 },
  ],
})

const bird = stepsOfBase('bird')
const from = (key: string) => bird.findIndex((one) => one.key === key)

const SIZES: DesignSource['variants'][number]['sizes'] = [
  {
    axis: 'tail-to-head',
    label: 'tail to head',
    measure: { extentDegrees: 0 },
    derivation:
      'Measured on the folded piece: from the tip of the tail to the bend of the head, along the body.',
  },
  {
    axis: 'height',
    label: 'high with wings down',
    flatOnly: true,
    measure: { extentDegrees: 90 },
    derivation: 'Measured on the folded piece: from the lowest wing tip to the tip of the tail.',
  },
]
const FORM_SIZES: DesignSource['variants'][number]['formSizes'] = [
  { axis: 'standing', label: 'high, standing', measure: 'height' },
  { axis: 'wing-span', label: 'wing tip to wing tip', measure: 'depth' },
]
const SHAPING = 'With the wings level the back rounds, which changes length and height by some per cent.'

/** A note card, in sides of the sheet. */
const CARD = [0.16, 0.22] as const

export const crane: DesignSource = {
  format: 2,
  id: 'crane',
  name: 'Crane',
  family: 'ornament',
  summary: 'The traditional crane from the bird base, wings down.',
  origin: 'traditional',
  guide: {
    skill: 'demanding',
    tools: ['fingernail', 'bone folder'],
    supplies: [
      {
        name: 'note card, with the variant that carries them',
        perPiece: 2,
        size: { width: CARD[0], height: CARD[1] },
      },
    ],
    adhesive: null,
    dryingMinutes: 0,
    test: 'Hold the breast, pull the tail: the wings move.',
    cautions: ['Repeated pinching strains the hands: breaks after every tray.'],
    rescue: [
      {
        symptom: 'Neck or tail will not go inside',
        remedy: 'Crease the line to both sides first, then open the leg and push from behind.',
      },
      { symptom: 'A wing tears at its foot', remedy: 'Lower the wings less; a dot of glue behind the tear.' },
    ],
  },
  usualMinutes: 6,
  gauges: [
    {
      match: ['neighbour', 'lay over'],
      key: 'head',
      name: 'head length',
      explains: 'How far from the tip of the neck the head is folded down.',
      unit: 'side',
      standard: 0.12,
      least: 0.06,
      most: 0.18,
    },
  ],
  parts: [
    {
      key: 'crane',
      name: 'crane',
      unitsPerPiece: 1,
      perSquare: 1,
      sideUp: 'colour down',
      sideUpReason:
        'The sheet falls together over its upper side: begun colour down, all of the crane shows colour.',
      base: { id: 'bird', stages: 2 },
      sheet: { kind: 'square', turnedDegrees: 45 },
      stages: [
        {
          key: 'square-base',
          name: 'Square base',
          steps: asSteps(bird.slice(0, from('petal-front'))),
        },
        {
          key: 'bird-base',
          name: 'Bird base',
          steps: asSteps(bird.slice(from('petal-front')), {
            'petal-back': { look: ['four points, two of them wings', 'the lower edges meet on the middle'] },
            'petal-front': {
              normal: 'The edge turns inside out while it is lifted: let it, and press the sides in.',
            },
          }),
        },
        {
          key: 'narrow',
          name: 'Legs narrow',
          steps: asSteps([
            step(
              {
                key: 'narrow-one',
                say: 'Lower edge to the middle line, front only',
                each: 'edge',
                note: 'The lower corner of the wing comes along.',
              },
              narrow(SIDES.neckBack),
              narrow(SIDES.tailBack),
            ),
            step({ key: 'over-narrow', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              { key: 'narrow-two', say: 'Lower edge to the middle line, front only', each: 'edge' },
              narrow(SIDES.neckFront),
              narrow(SIDES.tailFront),
            ),
          ]),
        },
        {
          key: 'bird',
          name: 'Neck, tail, head',
          steps: asSteps([
            step(
              {
                key: 'neck',
                say: 'Right leg up between the wings',
                each: 'reverse fold',
                rigour: 'free',
                note: 'Inside reverse: open the leg a little and bring its tip up inside.',
              },
              legUp(NECK, 1),
            ),
            step(
              {
                key: 'tail',
                say: 'Left leg up, as far as the right leg',
                each: 'reverse fold',
                rigour: 'even',
                note: 'Inside reverse, as before.',
              },
              legUp(TAIL, -1),
            ),
            step(
              {
                key: 'head',
                say: 'Tip of the neck down inside, to the gauge',
                each: 'reverse fold',
                rigour: 'free',
                note: 'Inside reverse.',
              },
              head,
            ),
          ]),
        },
        {
          key: 'wings',
          name: 'Wings',
          steps: asSteps([
            step(
              { key: 'wing-front', say: 'Front wing down', each: 'wing', rigour: 'even' },
              wingDown(FRONT_WING, 'valley'),
            ),
            step(
              { key: 'wing-back', say: 'Back wing down behind', each: 'wing', rigour: 'even' },
              wingDown(BACK_WING, 'mountain'),
            ),
            step(
              {
                key: 'open',
                say: 'Wings level, pull them gently apart',
                each: 'opening',
                crease: 'none',
                rigour: 'free',
              },
              {
                kind: 'shape',
                name: 'open',
                model:
                  'The wings level to both sides, rounded a little towards their tips; the body upright.',
                before: 'wing-front',
                acts: [
                  wingLevel(FRONT_WING, 1),
                  wingLevel(BACK_WING, -1),
                  { act: 'stand', degrees: 90, lookDownDegrees: 58 },
                ],
              },
            ),
            step(
              {
                key: 'card',
                say: 'A note card on the front wing, one dot of glue',
                each: 'card',
                crease: 'none',
                rigour: 'even',
                note: 'Written on before. It stands out over the wing tip and can be taken off.',
              },
              workOn('attach', CARD, partWay(FRONT_WING, CENTRE, 0.45)),
            ),
            step({ key: 'card-over', say: 'Turn over', each: 'turn', crease: 'none' }, turnOverUpright),
            step(
              {
                key: 'other-card',
                say: 'The other card on this wing, as high as the first',
                each: 'card',
                crease: 'none',
                rigour: 'even',
              },
              workOn('attach', CARD, partWay(BACK_WING, CENTRE, 0.45)),
            ),
            step(
              { key: 'card-back', say: 'Turn back to the front', each: 'turn', crease: 'none' },
              turnOverUpright,
            ),
          ]),
        },
      ],
    },
  ],
  variants: [
    {
      key: 'plain',
      name: 'plain',
      without: ['card', 'card-over', 'other-card', 'card-back'],
      sizes: SIZES,
      formSizes: FORM_SIZES,
      shaping: SHAPING,
    },
    {
      key: 'with-cards',
      name: 'with two note cards',
      without: [],
      sizes: SIZES,
      formSizes: FORM_SIZES,
      shaping: SHAPING,
    },
  ],
}
