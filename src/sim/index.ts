export { lookAt, type AsIs } from './as-is';
export { askSchema, type Ask, type SimAnswer } from './ask';
export { openCabinet, takeFirst, type Slot } from './cabinet';
export { FAULT_KINDS, faultSchema, type Fault } from './faults';
export { tryStart } from './motion';
export { AIR_SCENES, playDetector, type AirScene } from './gas-detector';
export { readPositions, type Positions } from './positions';
export { readProof, type Found, type Testing } from './proof';
