/** The part of clipper-lib that polygon-boolean.ts uses; the package ships no types. */
declare module 'clipper-lib' {
  interface IntPoint { X: number, Y: number }
  type Path = IntPoint[]
  class Clipper {
    constructor(options?: number)
    static ioStrictlySimple: number
    AddPaths(paths: Path[], type: number, closed: boolean): boolean
    Execute(clip: number, solution: Path[], subjectFill: number, clipFill: number): boolean
  }
  class ClipperOffset {
    constructor(miterLimit?: number, arcTolerance?: number)
    AddPaths(paths: Path[], join: number, end: number): void
    Execute(solution: Path[], delta: number): void
  }
  const library: {
    Clipper: typeof Clipper
    ClipperOffset: typeof ClipperOffset
    PolyType: { ptSubject: number, ptClip: number }
    ClipType: { ctIntersection: number, ctUnion: number, ctDifference: number, ctXor: number }
    PolyFillType: { pftEvenOdd: number, pftNonZero: number }
    JoinType: { jtSquare: number, jtRound: number, jtMiter: number }
    EndType: { etClosedPolygon: number }
  }
  export default library
}
