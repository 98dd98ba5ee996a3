/** A piece whose paper is not chosen yet. */
export const NO_PAPER_COLOUR = '#cfc8b6'
