/** What else lies in a drawer: wheels, magnets, horns, leads and the like. Made up, but typical in mass and size. */

export interface SmallThing {
  id: string
  name: string
  kind: 'gear' | 'sensor' | 'ballast' | 'hardware' | 'payload'
  massG: number
  sizeMm: readonly [number, number, number]
  price: number
}

const thing = (
  id: string,
  name: string,
  kind: SmallThing['kind'],
  massG: number,
  sizeMm: [number, number, number],
  price: number,
): SmallThing => ({ id, name, kind, massG, sizeMm, price })

export const SMALL_THINGS: readonly SmallThing[] = [
  thing('wheel-30', 'Wheel 30 mm, foam', 'gear', 2, [30, 10, 30], 1.5),
  thing('wheel-45', 'Wheel 45 mm, foam', 'gear', 5, [45, 15, 45], 2),
  thing('wheel-60', 'Wheel 60 mm, rubber', 'gear', 17, [60, 20, 60], 3.5),
  thing('wheel-80', 'Wheel 80 mm, rubber', 'gear', 34, [80, 26, 80], 5),
  thing('tail-wheel', 'Tail wheel 20 mm with wire', 'gear', 5, [30, 8, 25], 3),
  thing('camera-small', 'Camera, small', 'payload', 22, [28, 25, 22], 40),
  thing('camera-action', 'Camera, action', 'payload', 110, [62, 33, 42], 120),
  thing('transmitter-video', 'Video transmitter with aerial', 'sensor', 16, [38, 24, 9], 25),
  thing('satellite-receiver', 'Satellite receiver', 'sensor', 10, [25, 25, 8], 18),
  thing('flight-controller', 'Flight controller', 'sensor', 9, [36, 36, 8], 30),
  thing('airspeed-sensor', 'Airspeed sensor with tube', 'sensor', 7, [80, 12, 10], 20),
  thing('variometer', 'Variometer', 'sensor', 4, [22, 15, 7], 22),
  thing('gyro', 'Gyro', 'sensor', 5, [28, 22, 9], 20),
  thing('lost-model-buzzer', 'Lost-model buzzer', 'sensor', 6, [24, 14, 12], 8),
  thing('light-strip', 'Lights with leads', 'sensor', 8, [60, 10, 4], 9),
  thing('lead-ballast-10', 'Lead, 10 g', 'ballast', 10, [12, 10, 8], 0.5),
  thing('lead-ballast-25', 'Lead, 25 g', 'ballast', 25, [20, 12, 9], 1),
  thing('spinner-30', 'Spinner 30 mm', 'hardware', 5, [28, 30, 30], 4),
  thing('spinner-40', 'Spinner 40 mm', 'hardware', 9, [36, 40, 40], 5),
  thing('horn-pair', 'Horns, a pair', 'hardware', 2, [14, 8, 18], 1),
  thing('pushrod-1000', 'Pushrod 1.2 mm steel, 1 m', 'hardware', 9, [1000, 2, 2], 1.5),
  thing('bowden-1000', 'Bowden tube and wire, 1 m', 'hardware', 11, [1000, 3, 3], 2.5),
  thing('magnets-4', 'Magnets 8 × 3 mm, four', 'hardware', 5, [8, 8, 3], 1.5),
  thing('hinges-6', 'Hinges, six', 'hardware', 2, [20, 12, 2], 2),
  thing('strap', 'Battery strap', 'hardware', 3, [60, 14, 4], 1),
  thing('connector-pair', 'Battery plug and socket', 'hardware', 8, [24, 16, 8], 2.5),
  thing('extension-300', 'Servo extension 300 mm', 'hardware', 5, [300, 4, 2], 1.5),
  thing('firewall-ply', 'Firewall, plywood 3 mm', 'hardware', 6, [3, 50, 50], 2),
  thing('screws-20', 'Screws M2, twenty', 'hardware', 5, [12, 12, 8], 1),
]
