export { buildOrder, TIME_SIGMA, type BuildOrder, type OrderedStep } from './schedule'
export { channelList, linkageSheets, servoTurn, type LinkageSheet } from './linkages'
export { hardwareList, type HardwareRow } from './hardware'
export { benchesOf, buildProgress, type BuildProgress, type StepProgress, type StepState } from './progress'
