export { BUTTON_FORCES } from './button-forces';
export { depthStep, forceStep, pullStep, pulseStep, swingStep, travelStep, type GivenFinger } from './finger';
export { endToEnd, motorUnderLoad, neededTorque } from './drive';
export { sizeFit, type SizeFit } from './fit';
export { isUneven, sizeOf, type Size } from './size';
export { rewired, standstillAmps, type Rewired, type UnipolarStepper } from './stepper';
