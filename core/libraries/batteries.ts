/**
 * Lithium-polymer packs in the sizes that small electric models use. Made up, but typical in mass and size
 * for what they hold.
 */

export interface Battery {
  id: string
  name: string
  cells: number
  capacityMah: number
  massG: number
  /** Length, width, height, leads folded, mm. */
  sizeMm: readonly [number, number, number]
  price: number
}

const pack = (
  cells: number,
  capacityMah: number,
  massG: number,
  sizeMm: [number, number, number],
  price: number,
): Battery => ({
  id: `lipo-${cells}s-${capacityMah}`,
  name: `Battery ${cells}S ${capacityMah} mAh`,
  cells,
  capacityMah,
  massG,
  sizeMm,
  price,
})

export const BATTERIES: readonly Battery[] = [
  pack(2, 350, 24, [48, 26, 11], 8),
  pack(2, 450, 29, [55, 30, 12], 9),
  pack(2, 800, 46, [58, 30, 14], 11),
  pack(2, 1000, 58, [70, 34, 13], 12),
  pack(2, 1300, 75, [72, 34, 17], 14),
  pack(3, 450, 42, [56, 31, 18], 11),
  pack(3, 650, 58, [58, 31, 21], 13),
  pack(3, 850, 74, [58, 30, 22], 14),
  pack(3, 1000, 85, [70, 35, 20], 16),
  pack(3, 1300, 112, [72, 35, 26], 19),
  pack(3, 1550, 130, [76, 36, 27], 22),
  pack(3, 1800, 148, [100, 34, 24], 24),
  pack(3, 2200, 182, [106, 34, 26], 27),
  pack(3, 2650, 215, [115, 36, 27], 33),
  pack(4, 850, 98, [60, 31, 30], 19),
  pack(4, 1300, 148, [72, 36, 34], 25),
  pack(4, 1550, 172, [76, 37, 36], 29),
  pack(4, 1800, 196, [102, 35, 32], 32),
  pack(4, 2200, 240, [107, 35, 35], 36),
]
