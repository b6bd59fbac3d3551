import type { AnyFields } from '../field';
import {
  actFields,
  boardFields,
  faultFields,
  feedFields,
  guardFields,
  machineFields,
  regionFields,
  routineFields,
  senseFields,
  sentenceFields,
  sheetFields,
  standinFields,
  wishFields,
} from './plan-fields';
import type { Room } from './rooms';
import {
  faceFields,
  keypadFields,
  mainsFields,
  meterFields,
  photoFields,
  pieceFields,
  railFields,
  stripFields,
  surveyFields,
} from './survey-fields';
import {
  fingerFields,
  handFields,
  motorFields,
  ownPartFields,
  remoteFields,
  scanFields,
  signalFields,
  stockFields,
  supplyFields,
  thumbFields,
} from './thumb-fields';
import type {
  Fault,
  FaceSurvey,
  Job,
  Keypad,
  MachinePlan,
  MainsSide,
  Meter,
  OwnPart,
  Photo,
  Piece,
  Rail,
  Sentence,
  StockLine,
  Strip,
  ThumbPlan,
} from './types';

type Sections = Pick<
  Job,
  | 'wish'
  | 'region'
  | 'survey'
  | 'thumb'
  | 'board'
  | 'feed'
  | 'guard'
  | 'sense'
  | 'act'
  | 'routine'
  | 'sheet'
  | 'standin'
>;
export type Section = keyof Sections;

/** Where fields can be set: a section of the job, or a group inside one. */
export interface Places extends Sections {
  'survey.meter': Meter;
  'survey.mains': MainsSide;
  'thumb.finger': ThumbPlan['finger'];
  'thumb.motor': ThumbPlan['motor'];
  'thumb.signal': ThumbPlan['signal'];
  'thumb.supply': ThumbPlan['supply'];
  'thumb.hand': ThumbPlan['hand'];
  'thumb.scan': ThumbPlan['scan'];
  'thumb.remote': ThumbPlan['remote'];
  'act.machine': MachinePlan;
}
export type Place = keyof Places;

/** Lists whose items are known by a key, so that one can be put or dropped without naming the others. */
export interface Lists {
  'survey.strips': Strip;
  'survey.keypads': Keypad;
  'survey.rails': Rail;
  'survey.faces': FaceSurvey;
  'survey.pieces': Piece;
  'survey.photos': Photo;
  'thumb.parts': OwnPart;
  'thumb.stock': StockLine;
  'act.faults': Fault;
  'routine.sentences': Sentence;
}
export type ListName = keyof Lists;

interface PlaceInfo {
  readonly fields: AnyFields;
  /** What the log calls it; empty where the labels of the fields say enough. */
  readonly words: string;
  readonly room: Room;
}
const place = (fields: object, words: string, room: Room): PlaceInfo => ({ fields: fields as AnyFields, words, room });

export const PLACE_INFO: Readonly<Record<Place, PlaceInfo>> = {
  wish: place(wishFields, '', 'wish'),
  region: place(regionFields, '', 'wish'),
  survey: place(surveyFields, '', 'probe'),
  'survey.meter': place(meterFields, 'meter', 'probe'),
  'survey.mains': place(mainsFields, 'mains side', 'probe'),
  thumb: place(thumbFields, '', 'thumb'),
  'thumb.finger': place(fingerFields, 'finger', 'thumb'),
  'thumb.motor': place(motorFields, 'motor', 'thumb'),
  'thumb.signal': place(signalFields, 'drive signal', 'thumb'),
  'thumb.supply': place(supplyFields, 'switched supply', 'thumb'),
  'thumb.hand': place(handFields, 'hand mechanism', 'thumb'),
  'thumb.scan': place(scanFields, 'scanned key', 'thumb'),
  'thumb.remote': place(remoteFields, 'remote', 'thumb'),
  board: place(boardFields, '', 'board'),
  feed: place(feedFields, '', 'feed'),
  guard: place(guardFields, '', 'guard'),
  sense: place(senseFields, '', 'sense'),
  act: place(actFields, '', 'act'),
  'act.machine': place(machineFields, '', 'act'),
  routine: place(routineFields, '', 'routine'),
  sheet: place(sheetFields, '', 'try'),
  standin: place(standinFields, '', 'probe'),
};

interface ListInfo extends PlaceInfo {
  /** The field by which an item is known, and the one that names it in the log. */
  readonly key: string;
  readonly called: string;
}
const listed = (fields: object, words: string, room: Room, key = 'id', called = 'name'): ListInfo => ({
  ...place(fields, words, room),
  key,
  called,
});

export const LIST_INFO: Readonly<Record<ListName, ListInfo>> = {
  'survey.strips': listed(stripFields, 'strip', 'probe'),
  'survey.keypads': listed(keypadFields, 'keypad', 'probe'),
  'survey.rails': listed(railFields, 'supply', 'probe'),
  'survey.faces': listed(faceFields, 'face of', 'probe', 'control', 'control'),
  'survey.pieces': listed(pieceFields, 'piece', 'probe'),
  'survey.photos': listed(photoFields, 'photograph', 'probe'),
  'thumb.parts': listed(ownPartFields, 'own part', 'thumb'),
  'thumb.stock': listed(stockFields, '', 'thumb', 'name'),
  'act.faults': listed(faultFields, 'fault', 'act', 'id', 'kind'),
  'routine.sentences': listed(sentenceFields, 'sentence', 'routine', 'id', 'at'),
};
