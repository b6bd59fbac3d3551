export { commandsFor } from './commands';
export { handsIn, type HandDeed } from './deeds';
export { handThing } from './hand';
export { panelFindings, panelOf } from './panel';
export { dividerOhms } from './divider';
export { isBridged, isPulsed, isTapped, readSignal, tapOf } from './tap';
export { signResistor, signThing } from './sign';
export type { PanelPart, PanelDevice, PanelWire } from './thing';
export { DIVIDER_SHARE, highShare, LEAK_AMPS, LEVEL_SHARE, OVER_VOLTS } from './practice';
