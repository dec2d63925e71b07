export { partOf, shelfParts, type DrawerPart, type PartGroup } from './part'
export { placed, type Dropped } from './placed'
export { OwnPart, readParts, together, writeParts } from './parts-file'
