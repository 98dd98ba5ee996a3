import fc from 'fast-check'
import { readPalette, writePalette } from '.'

const hex = fc.nat(0xffffff).map((value) => `#${value.toString(16).padStart(6, '0')}`)
const name = fc.string({ maxLength: 20 }).map((text) => text.replaceAll(/\s+/g, ' ').trim())

test('what is written is read again, names and all', () => {
  fc.assert(
    fc.property(
      fc.array(fc.record({ hex, name }), { minLength: 1, maxLength: 30 }),
      name,
      (colours, called) => {
        expect(readPalette(writePalette(called, colours))).toEqual({ ok: true, colours })
      },
    ),
  )
})
test('a palette as GIMP writes it, with comments, columns and its line ends', () => {
  const text =
    'GIMP Palette\r\nName: Pier\r\nColumns: 3\r\n# by hand\r\n196  73  29\tBuoy Orange\r\n 44 110 127\r\n'
  expect(readPalette(text)).toEqual({
    ok: true,
    colours: [
      { hex: '#c4491d', name: 'Buoy Orange' },
      { hex: '#2c6e7f', name: '' },
    ],
  })
})
test.each([
  ['#C4491D Buoy Orange\n#2c6e7f', ['#c4491d', '#2c6e7f'], ['Buoy Orange', '']],
  ['#c4491d, #2c6e7f; #abc', ['#c4491d', '#2c6e7f', '#aabbcc'], ['', '', '']],
  ['c4491d', ['#c4491d'], ['']],
])('colours in plain text: %j', (text, hexes, names) => {
  const read = readPalette(text)
  expect(read.ok && read.colours.map((one) => one.hex)).toEqual(hexes)
  expect(read.ok && read.colours.map((one) => one.name)).toEqual(names)
})
test.each([
  ['', { code: 'NO_COLOUR', line: 0, text: '' }],
  ['GIMP Palette\nName: Empty\n', { code: 'NO_COLOUR', line: 0, text: '' }],
  ['#c4491d\nteal\n', { code: 'NOT_A_COLOUR', line: 2, text: 'teal' }],
  ['#2c6e7f #ffffff teal', { code: 'NOT_A_COLOUR', line: 1, text: '#2c6e7f #ffffff teal' }],
  ['#12345', { code: 'NOT_A_COLOUR', line: 1, text: '#12345' }],
  ['GIMP Palette\n256 0 0 too red', { code: 'NOT_A_COLOUR', line: 2, text: '256 0 0 too red' }],
  [
    '<svg><script>alert(1)</script></svg>',
    { code: 'NOT_A_COLOUR', line: 1, text: '<svg><script>alert(1)</script></svg>' },
  ],
  ['#000\n'.repeat(300), { code: 'TOO_MANY', line: 257, text: '' }],
])('what is no palette is told, and where: %j', (text, fault) => {
  expect(readPalette(text)).toEqual({ ok: false, fault })
})
