import type { Point } from '@/core/geometry'

/** Why a file was refused: what, where in it, and what to do. Nothing of it was taken. */
export interface FileFault {
  readonly what: string
  readonly where: string
  readonly todo: string
  /** A place on the sheet, longest extent 1, where there is one. */
  readonly at?: Point
}

/** Thrown while a file is read and caught where reading began. */
export class FileError extends Error {
  readonly fault: FileFault

  constructor(what: string, where: string, todo: string, at?: Point) {
    super(`${where}: ${what}`)
    this.name = 'FileError'
    this.fault = { what, where, todo, ...(at ? { at } : {}) }
  }
}
