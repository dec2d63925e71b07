/** The aircraft as drawn, mm. */
type Triple = [number, number, number]

export interface Outline {
  id: string
  part: string
  points: number[]
}

/** One thing in all three views. */
export interface Outlines {
  plan: number[]
  side: number[]
  front: number[]
}

/** Outlines to scale, mm: plan in (x, y), side in (x, z), front in (y, z). */
export interface Drawing {
  plan: Outline[]
  side: Outline[]
  front: Outline[]
  spars: Array<{ id: string; plan: number[]; side: number[]; front: number[]; widthMm: number }>
  /** What is covered with film, and closed sections of it from its foot to its head, aircraft axes. */
  films: Array<Outlines & { id: string; part: string; half: string; name: string; rings: number[][] }>
  /** Landing-gear legs from mount to axle, aircraft axes. */
  legs: Array<{
    id: string
    mount: [number, number, number]
    axle: [number, number, number]
    widthMm: number
    wheelMm: number
  }>
  /** Of a pair both; their ends in aircraft axes. */
  struts: Array<Outlines & { id: string; widthMm: number; ends: [Triple, Triple] }>
  /** Of a pair both; their y is that of the plan. */
  booms: Array<{ plan: number[]; side: number[]; widthMm: number }>
  /** Ways for air through the body; of two sides that run together both. */
  ducts: Outlines[]
  box: { minX: number; maxX: number; minY: number; maxY: number; minZ: number; maxZ: number }
}
