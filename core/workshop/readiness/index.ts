export { inspectionList, type InspectionItem } from './inspection'
export { suggestProof } from './proof-plan'
export { afterFlight, readiness, THRUST_SHARE, type ReadinessItem } from './readiness'
