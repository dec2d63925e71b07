export { platePart, stand } from './stand'
export { layPlates, standsAlone, type PlateLayout } from './layout'
