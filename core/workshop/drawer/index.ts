export { partOf, shelfParts, type DrawerPart, type PartGroup } from './part'
export { placed, type Dropped } from './placed'
export { readParts, together, writeParts } from './parts-file'
