import type { AnyFields } from '../field';
import {
  guardFields,
  neverFields,
  regionFields,
  routineFields,
  sentenceFields,
  sheetFields,
  standinFields,
  wishFields,
} from './plan-fields';
import {
  boardFields,
  handInputFields,
  pinChoiceFields,
  profileFields,
  senseFields,
  signFields,
} from './controller-fields';
import {
  boxFields,
  converterFields,
  dutyFields,
  feedFields,
  groupFields,
  hangFields,
  linkFields,
  loadFields,
  shiftFields,
  sourceFields,
  standingFields,
} from './feed-fields';
import { actFields, faultFields, moveFields, partFields } from './act-fields';
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
} from './press-fields';
import type {
  AlikeUnit,
  BoardProfile,
  Fault,
  FaceSurvey,
  FeedBox,
  FeedConverter,
  FeedDuty,
  FeedGroup,
  FeedHang,
  FeedLink,
  FeedLoad,
  FeedSource,
  FeedStanding,
  GroundShift,
  Hand,
  Job,
  Keypad,
  MachinePart,
  MainsSide,
  Meter,
  Move,
  Never,
  OwnPart,
  Photo,
  Piece,
  PinChoice,
  Press,
  Rail,
  Sense,
  Sentence,
  Sign,
  StockLine,
  Strip,
} from './types';

type Sections = Pick<
  Job,
  'wish' | 'region' | 'survey' | 'bench' | 'board' | 'feed' | 'guard' | 'act' | 'routine' | 'sheet' | 'standin'
>;
export type Section = keyof Sections;

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
export type PressPlace = keyof PressPlaces;

/** Where fields can be set: a section of the job, a group inside one, or a place of a press. */
export interface Places extends Sections, PressPlaces {
  'survey.meter': Meter;
  'survey.mains': MainsSide;
  'feed.duty': FeedDuty;
  'feed.box': FeedBox;
  'feed.standing': FeedStanding;
}
export type Place = keyof Places;

/** Lists whose items are known by a key, so that one can be put or dropped without naming the others. */
export interface Lists {
  'wish.nevers': Never;
  'survey.strips': Strip;
  'survey.keypads': Keypad;
  'survey.rails': Rail;
  'survey.faces': FaceSurvey;
  'survey.pieces': Piece;
  'survey.photos': Photo;
  presses: Press;
  'bench.parts': OwnPart;
  'bench.stock': StockLine;
  'bench.units': AlikeUnit;
  senses: Sense;
  hands: Hand;
  signs: Sign;
  'board.profiles': BoardProfile;
  'board.pins': PinChoice;
  'feed.sources': FeedSource;
  'feed.converters': FeedConverter;
  'feed.links': FeedLink;
  'feed.loads': FeedLoad;
  'feed.hangs': FeedHang;
  'feed.groups': FeedGroup;
  'feed.shifts': GroundShift;
  'act.parts': MachinePart;
  'act.moves': Move;
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
  press: place(pressFields, '', 'thumb'),
  'press.finger': place(fingerFields, 'finger', 'thumb'),
  'press.motor': place(motorFields, 'motor', 'thumb'),
  'press.signal': place(signalFields, 'drive signal', 'thumb'),
  'press.supply': place(supplyFields, 'switched supply', 'thumb'),
  'press.hand': place(handFields, 'hand mechanism', 'thumb'),
  'press.scan': place(scanFields, 'scanned key', 'thumb'),
  'press.remote': place(remoteFields, 'remote', 'thumb'),
  bench: place(benchFields, '', 'thumb'),
  board: place(boardFields, '', 'board'),
  feed: place(feedFields, '', 'feed'),
  'feed.duty': place(dutyFields, 'controller', 'feed'),
  'feed.box': place(boxFields, 'box', 'feed'),
  'feed.standing': place(standingFields, '', 'feed'),
  guard: place(guardFields, '', 'guard'),
  act: place(actFields, '', 'act'),
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
  'wish.nevers': listed(neverFields, 'never', 'wish', 'id', 'kind'),
  'survey.strips': listed(stripFields, 'strip', 'probe'),
  'survey.keypads': listed(keypadFields, 'keypad', 'probe'),
  'survey.rails': listed(railFields, 'supply', 'probe'),
  'survey.faces': listed(faceFields, 'face of', 'probe', 'control', 'control'),
  'survey.pieces': listed(pieceFields, 'piece', 'probe'),
  'survey.photos': listed(photoFields, 'photograph', 'probe'),
  presses: listed(pressFields, 'press', 'thumb'),
  'bench.parts': listed(ownPartFields, 'own part', 'thumb'),
  'bench.stock': listed(stockFields, '', 'thumb', 'name'),
  'bench.units': listed(unitFields, 'machine', 'wish'),
  senses: listed(senseFields, 'sense', 'sense'),
  hands: listed(handInputFields, 'hand', 'board'),
  signs: listed(signFields, 'sign', 'board'),
  'board.profiles': listed(profileFields, 'own board', 'board', 'key'),
  'board.pins': listed(pinChoiceFields, 'pin of', 'board', 'line', 'line'),
  'feed.sources': listed(sourceFields, 'source', 'feed'),
  'feed.converters': listed(converterFields, 'converter', 'feed'),
  'feed.links': listed(linkFields, '', 'feed'),
  'feed.loads': listed(loadFields, 'load', 'feed'),
  'feed.hangs': listed(hangFields, 'what feeds', 'feed', 'load', 'load'),
  'feed.groups': listed(groupFields, 'group', 'feed'),
  'feed.shifts': listed(shiftFields, 'ground shift', 'feed', 'id', 'id'),
  'act.parts': listed(partFields, '', 'act'),
  'act.moves': listed(moveFields, 'move', 'act'),
  'act.faults': listed(faultFields, 'fault', 'act', 'id', 'kind'),
  'routine.sentences': listed(sentenceFields, 'sentence', 'routine', 'id', 'at'),
};

/** Whether a place lies in a press. */
export const isPressPlace = (at: string): at is PressPlace => at === 'press' || at.startsWith('press.');
