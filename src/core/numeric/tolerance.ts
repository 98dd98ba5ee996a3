/** Named tolerances. Each carries its unit; none is written bare anywhere else. */

/** Lengths closer than this are one length in yields and cuts: a hundredth of a micrometre. */
export const SAME_LENGTH_UM = 0.01

/** Probabilities closer than this are one probability. */
export const SAME_PROBABILITY = 1e-12
