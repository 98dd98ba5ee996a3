export { pictureOf, pictureOfPiece, type FoldPicture } from './picture'
export { flapDepth, type FoldSymbol } from './symbols'
export { motionOf, type DrawnOnce, type FoldMotion } from './motion'
export { halfwayOf, type HalfwayPicture } from './halfway'
