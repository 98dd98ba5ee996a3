/**
 * Raised whenever a program could give other figures or pictures than before: what was kept under an older number is
 * worked out anew.
 */
export const FOLD_ENGINE_VERSION = 8
