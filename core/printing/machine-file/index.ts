export { writePlate, type Plate, type PlatePart, type WrittenPlate } from './write-plate'
export { PLACEHOLDERS, SHIPPED_END, SHIPPED_START } from './placeholders'
