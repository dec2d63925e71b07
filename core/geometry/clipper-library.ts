/** clipper-lib as this project uses it; the package ships no types. */
// @ts-expect-error -- there is no declaration file to find
import untyped from 'clipper-lib'

interface IntPoint {
  X: number
  Y: number
}
type Path = IntPoint[]
interface Clipper {
  AddPaths(paths: Path[], type: number, closed: boolean): boolean
  Execute(clip: number, solution: Path[], subjectFill: number, clipFill: number): boolean
}

interface ClipperOffset {
  AddPaths(paths: Path[], join: number, end: number): void
  Execute(solution: Path[], by: number): void
}

export const clipper = untyped as {
  ClipperOffset: new (miterLimit: number, arcTolerance: number) => ClipperOffset
  JoinType: { jtRound: number }
  EndType: { etClosedPolygon: number }
  Clipper: new (options?: number) => Clipper
  PolyType: { ptSubject: number; ptClip: number }
  ClipType: { ctIntersection: number; ctUnion: number; ctDifference: number; ctXor: number }
  PolyFillType: { pftEvenOdd: number; pftNonZero: number }
}
