export { type Airframe, createResolver } from './airframe'
export { calibratedFilaments } from './calibrated-filaments'
export { createDrawing } from './drawing'
export { type NoCut, noCuts } from './no-cuts'
