/** Named tolerances. Each carries its unit; none is written bare anywhere else. */

/** Lengths closer than this are one length in yields and cuts: a hundredth of a micrometre. */
export const SAME_LENGTH_UM = 0.01

/** Probabilities closer than this are one probability. */
export const SAME_PROBABILITY = 1e-12

/** Points closer than this are one, in sheets whose side is 1: a ten-thousandth of a micrometre on 15 cm. */
export const SAME_POINT = 1e-9

/** A polygon smaller than this is none, in sheets whose side is 1. */
export const SAME_AREA = 1e-12
