/** Servos and receivers in the sizes of small electric models. Made up, but typical in mass, size and torque. */

export interface ServoOnShelf {
  id: string
  name: string
  massG: number
  torqueNcm: number
  travelDeg: number
  /** Along its lugs, across, and with its spline, mm. */
  sizeMm: readonly [number, number, number]
  price: number
}

const servo = (
  massG: number,
  torqueNcm: number,
  sizeMm: [number, number, number],
  price: number,
): ServoOnShelf => ({
  id: `servo-${massG}`,
  name: `Servo ${massG} g`,
  massG,
  torqueNcm,
  travelDeg: 50,
  sizeMm,
  price,
})

export const SERVOS: readonly ServoOnShelf[] = [
  servo(2, 2, [16, 7, 16], 6),
  servo(4, 6, [20, 8.5, 20], 5),
  servo(6, 10, [21, 10, 22], 6),
  servo(9, 14, [23, 12, 24], 4),
  servo(13, 22, [23, 12.5, 26], 8),
  servo(20, 36, [29, 13, 30], 11),
  servo(38, 70, [37, 17, 36], 13),
]

export interface ReceiverOnShelf {
  id: string
  name: string
  channels: number
  massG: number
  sizeMm: readonly [number, number, number]
  price: number
}

export const RECEIVERS: readonly ReceiverOnShelf[] = [
  { id: 'receiver-4', name: 'Receiver, 4 channels', channels: 4, massG: 3, sizeMm: [22, 13, 6], price: 14 },
  { id: 'receiver-6', name: 'Receiver, 6 channels', channels: 6, massG: 7, sizeMm: [30, 18, 10], price: 18 },
  { id: 'receiver-8', name: 'Receiver, 8 channels', channels: 8, massG: 10, sizeMm: [38, 22, 12], price: 26 },
]
