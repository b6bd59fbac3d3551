import { listed, place, type ListsOf, type PlacesOf } from '../place';
import {
  benchFields,
  fingerFields,
  handFields,
  motorFields,
  ownPartFields,
  pressFields,
  remoteFields,
  scanFields,
  signalFields,
  stockFields,
  supplyFields,
  unitFields,
} from './fields';
import type { AlikeUnit, BenchPlan, OwnPart, Press, StockLine } from './types';

/** Places of one press: an edit of one says `of` which press. */
export interface PressPlaces {
  press: Press;
  'press.finger': Press['finger'];
  'press.motor': Press['motor'];
  'press.signal': Press['signal'];
  'press.supply': Press['supply'];
  'press.hand': Press['hand'];
  'press.scan': Press['scan'];
  'press.remote': Press['remote'];
}
/** What all presses of a job share. */
export interface BenchPlaces {
  bench: BenchPlan;
}
/** Keyed lists of this section. */
export interface PressLists {
  presses: Press;
  'bench.parts': OwnPart;
  'bench.stock': StockLine;
  'bench.units': AlikeUnit;
}

/** What is known of each of these places. */
export const PRESS_PLACES: PlacesOf<PressPlaces> = {
  press: place(pressFields, '', 'thumb'),
  'press.finger': place(fingerFields, 'finger', 'thumb'),
  'press.motor': place(motorFields, 'motor', 'thumb'),
  'press.signal': place(signalFields, 'drive signal', 'thumb'),
  'press.supply': place(supplyFields, 'switched supply', 'thumb'),
  'press.hand': place(handFields, 'hand mechanism', 'thumb'),
  'press.scan': place(scanFields, 'scanned key', 'thumb'),
  'press.remote': place(remoteFields, 'remote', 'thumb'),
};
/** What is known of the place that all presses share. */
export const BENCH_PLACES: PlacesOf<BenchPlaces> = { bench: place(benchFields, '', 'thumb') };
/** What is known of each of these lists. */
export const PRESS_LISTS: ListsOf<PressLists> = {
  presses: listed(pressFields, 'press', 'thumb'),
  'bench.parts': listed(ownPartFields, 'own part', 'thumb'),
  'bench.stock': listed(stockFields, '', 'thumb', 'name'),
  'bench.units': listed(unitFields, 'machine', 'wish'),
};
