export { drawFinger } from './finger';
export { SHEET_WIDTH, stacked, type Ink, type Mark, type Sheet } from './marks';
export { drawMechanism, drawWinding } from './mechanism';
export { drawMotor, type DrawnContact } from './motor';
export { drawSwitch, type JointLook } from './switches';
export { drawTerminals, type DrawnWire } from './terminals';
