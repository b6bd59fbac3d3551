import type { Way } from '../job';
import { analogueSwitch } from './analogue-switch';
import type { WayContext, WayResult } from './context';
import { controlBox } from './control-box';
import { driveSignal } from './drive-signal';
import { finger } from './finger';
import { handMechanism } from './hand-mechanism';
import { nmosToGround } from './mosfet';
import { optocoupler } from './optocoupler';
import { relayContact } from './relay';
import { relayModule } from './relay-module';
import { reverseMotor } from './reverse-motor';
import { solidStateRelay } from './solid-state-relay';
import { spareRemote, spareTerminals } from './spare';
import { logicInjector, strobeAnswer } from './strobe';
import { switchedSupply } from './switched-supply';
import { npnToGround } from './transistor';

/** How each way is judged on a control. */
const EVALUATE: Readonly<Record<Way, (c: WayContext) => WayResult>> = {
  'relay-contact': relayContact, 'relay-module': relayModule, 'npn-to-ground': npnToGround, 'nmos-to-ground': nmosToGround, optocoupler, 'solid-state-relay': solidStateRelay, 'analogue-switch': analogueSwitch,
  'strobe-answer': strobeAnswer, 'logic-injector': logicInjector, 'spare-terminals': spareTerminals, 'spare-remote': spareRemote, finger, 'reverse-motor': reverseMotor, 'control-box': controlBox,
  'drive-signal': driveSignal, 'switched-supply': switchedSupply, 'hand-mechanism': handMechanism,
};

/** Judges one way on one control: every requirement and margin, parts, wires, and what it hands on. */
export const evaluateWay = (way: Way, c: WayContext): WayResult => EVALUATE[way](c);
