import { oneOf } from '../reference';
import {
  choice,
  flag,
  group,
  list,
  maybeFlag,
  maybeGroup,
  maybeQuantity,
  name,
  plainWords,
  quantity,
  text,
  untried,
  type Fields,
} from '../../../field';
import { MOST_TERMINALS } from '../readings/fields';
import { HAND_METER, UNKNOWN_MAINS } from './usual';
import {
  ACCESS,
  CABLES,
  EARTHS,
  FACE_SHAPES,
  MAIN_SWITCHES,
  MAINS_FEEDS,
  PIECES,
  TESTERS,
  type FaceSurvey,
  type Keypad,
  type MainsSide,
  type Meter,
  type Photo,
  type Piece,
  type Rail,
  type Strip,
  type Survey,
} from './types';

/** Fields of the meter in hand. */
export const meterFields: Fields<Meter> = {
  name: name('Name of the meter', HAND_METER.name),
  voltsShare: quantity('Volts DC: percent of reading', '%', HAND_METER.voltsShare, { most: 0.2, factor: 0.01 }),
  voltsDigits: quantity('and last digits', '1', HAND_METER.voltsDigits, { most: 100 }),
  otherShare: quantity('Other settings: percent', '%', HAND_METER.otherShare, { most: 0.2, factor: 0.01 }),
  otherDigits: quantity('and last digits', '1', HAND_METER.otherDigits, { most: 100 }),
  inputOhms: quantity('Input resistance on volts', 'Ω', HAND_METER.inputOhms, { least: 1e4, most: 1e12 }),
  burdenOhms: quantity('Resistance of the mA jack', 'Ω', HAND_METER.burdenOhms, { least: 1e-3, most: 1e4 }),
  mostOhms: quantity('Top of the ohms range', 'Ω', HAND_METER.mostOhms, { least: 1e3, most: 1e12 }),
  beepBelowOhms: quantity('Beeps below', 'Ω', HAND_METER.beepBelowOhms, { least: 1, most: 1000 }),
  trueRms: flag('true RMS', HAND_METER.trueRms),
  stated: flag(''),
};

/** Fields of how the machine meets mains. */
export const mainsFields: Fields<MainsSide> = {
  feed: choice('fed by', plainWords(MAINS_FEEDS), UNKNOWN_MAINS.feed),
  mainSwitch: choice('its main switch', plainWords(MAIN_SWITCHES), UNKNOWN_MAINS.mainSwitch),
  cables: choice('other cables', plainWords(CABLES), UNKNOWN_MAINS.cables),
  earth: choice('earth', plainWords(EARTHS), UNKNOWN_MAINS.earth),
  tester: choice('insulation tester', plainWords(TESTERS), UNKNOWN_MAINS.tester),
  batteryVolts: maybeQuantity('Battery in series, tips touching', 'V', { most: 30, hint: '9.2 V' }),
};

/** Fields of a strip of terminals. */
export const stripFields: Fields<Strip> = {
  id: name('id'),
  name: untried(name('name')),
  wires: list('wires', text('a wire', { most: 40 }), MOST_TERMINALS, { least: 2 }),
};

/** Lines that one pad can have: what a controller has pins for, with room to spare. */
const PAD_LINES = 2;

/** Fields of a keypad. */
export const keypadFields: Fields<Keypad> = {
  id: name('id'),
  name: untried(name('name')),
  rows: quantity('rows', '1', 4, { least: 1, most: 16, whole: true }),
  columns: quantity('columns', '1', 3, { least: 1, most: 16, whole: true }),
  keys: list(
    'keys',
    group('a key', {
      label: name('label'),
      row: quantity('row', '1', 0, { most: 15, whole: true }),
      column: quantity('column', '1', 0, { most: 15, whole: true }),
      lines: list('lines', name('a line'), PAD_LINES),
      from: choice('from', { capture: 'a capture', continuity: 'continuity', hand: 'by hand' }, 'hand'),
    }),
    256,
  ),
  scan: maybeGroup('scan', {
    periodSeconds: quantity('period', 's', 0.01, { least: 1e-6, most: 60 }),
    widthSeconds: quantity('width of a strobe', 's', 1e-3, { least: 1e-7, most: 60 }),
    polarity: choice('strobes go', { low: 'low', high: 'high' }, 'low'),
    strobes: list('strobe lines', name('a line'), 64, { once: true }),
    senses: list('sense lines', name('a line'), 64, { once: true }),
  }),
};

/** Fields of a supply of the machine. */
export const railFields: Fields<Rail> = {
  id: name('id'),
  name: untried(name('name')),
  openVolts: maybeQuantity('Open volts', 'V', { most: 1000, hint: '5.02 V' }),
  loadedVolts: maybeQuantity('Volts under load', 'V', { most: 1000, hint: '4.9 V' }),
  loadAmps: maybeQuantity('at this load', 'A', { most: 100, hint: '50 mA' }),
  whileIdle: maybeFlag('there at rest'),
  whileRunning: maybeFlag('there while it runs'),
  rippleVolts: maybeQuantity('Ripple, AC volts', 'V', { most: 1000, hint: '30 mV' }),
  storedFarads: maybeQuantity('Stored in, farads', 'F', { most: 100, hint: '470 uF' }),
  bleedOhms: maybeQuantity('empties through', 'Ω', { most: 1e12, hint: '100k' }),
  storedVolts: maybeQuantity('charged to', 'V', { most: 1e4, hint: '325 V' }),
};

/** Fields of a control’s face. */
export const faceFields: Fields<FaceSurvey> = {
  control: oneOf('control', { to: ['control'], gone: 'refuse', todo: 'Name a control that the job has.' }),
  forceNewtons: maybeQuantity('Force until it clicks', 'N', { most: 500, hint: '2 N' }),
  travelMetres: maybeQuantity('Travel', 'm', { most: 1, hint: '0.4 mm' }),
  access: choice('reached', plainWords(ACCESS), 'open'),
  shape: choice('front', plainWords(FACE_SHAPES), 'flat'),
  neighbourMetres: maybeQuantity('Free beside it', 'm', { most: 10, hint: '5 mm' }),
};

/** One reading of a caliper, m. */
export const caliperReading = quantity('a reading', 'm', 0.01, { least: 1e-6, most: 100 });
/** Fields of a piece that was measured. */
export const pieceFields: Fields<Piece> = {
  id: name('id'),
  name: untried(name('name')),
  kind: choice('kind', plainWords(PIECES), 'tube'),
  readings: list('caliper readings', caliperReading, 100),
  caliperMetres: quantity('Error of the caliper', 'm', 2e-5, { least: 1e-9, most: 0.01 }),
};

/** A picture's id is also the name of its file. */
const pictureId = text('id', {
  least: 1,
  most: 80,
  pattern: /^[\w-]+$/,
  words: 'letters, digits and dashes',
  usual: 'photo',
});
/** Fields of a photograph. */
export const photoFields: Fields<Photo> = {
  id: pictureId,
  name: name('name'),
  width: quantity('width', '1', 1, { least: 1, most: 20000, whole: true }),
  height: quantity('height', '1', 1, { least: 1, most: 20000, whole: true }),
  pins: list(
    'pins',
    group('a pin', {
      x: quantity('across', '1', 0, { most: 1 }),
      y: quantity('down', '1', 0, { most: 1 }),
      label: text('label', { most: 100 }),
    }),
    200,
  ),
};

/** What Probe records beside readings. */
export const surveyFields: Fields<Survey> = {
  mains: group('mains', mainsFields),
  meter: untried(group('meter', meterFields)),
  strips: list('strips', group('a strip', stripFields), 20, { key: 'id' }),
  keypads: list('keypads', group('a keypad', keypadFields), 20, { key: 'id' }),
  rails: list('supplies', group('a supply', railFields), 50, { key: 'id' }),
  faces: list('faces', group('a face', faceFields), 100, { key: 'control' }),
  pieces: list('pieces', group('a piece', pieceFields), 100, { key: 'id' }),
  photos: untried(list('photographs', group('a photograph', photoFields), 60, { key: 'id' })),
};
