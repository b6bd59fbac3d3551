import { flag, list, name, oneOf, real, shape, text } from './shapes';
import { ACCESS, CABLES, EARTHS, FACE_SHAPES, MAIN_SWITCHES, MAINS_FEEDS, PIECES } from './survey-types';

const size = () => real().moreThan(0).max(100);
const positive = (max: number) => real().moreThan(0).max(max);
const none = (max: number) => real().min(0).max(max).nullable();

const meter = () =>
  shape({
    name: name(),
    voltsShare: real().min(0).max(0.2),
    voltsDigits: real().min(0).max(100),
    otherShare: real().min(0).max(0.2),
    otherDigits: real().min(0).max(100),
    inputOhms: real().min(1e4).max(1e12),
    burdenOhms: real().min(0.001).max(1e4),
    mostOhms: real().min(1e3).max(1e12),
    beepBelowOhms: real().min(1).max(1000),
    trueRms: flag(),
    stated: flag(),
  });

const keypad = () =>
  shape({
    id: name(),
    name: name(),
    rows: real().integer().min(1).max(16),
    columns: real().integer().min(1).max(16),
    keys: list(
      shape({
        label: name(),
        row: real().integer().min(0).max(15),
        column: real().integer().min(0).max(15),
        lines: list(name(), 2),
        from: oneOf(['capture', 'continuity', 'hand']),
      }),
      256,
    ),
    scan: shape({
      periodSeconds: positive(60),
      widthSeconds: positive(60),
      polarity: oneOf(['low', 'high']),
      strobes: list(name(), 64),
      senses: list(name(), 64),
    }).nullable(),
  });

const rail = () =>
  shape({
    id: name(),
    name: name(),
    openVolts: none(1000),
    loadedVolts: none(1000),
    loadAmps: none(100),
    whileIdle: flag().nullable(),
    whileRunning: flag().nullable(),
    rippleVolts: none(1000),
    storedFarads: none(100),
    bleedOhms: none(1e12),
    storedVolts: none(10000),
  });

const face = () =>
  shape({
    control: name(),
    forceNewtons: none(500),
    travelMetres: none(1),
    access: oneOf(ACCESS),
    shape: oneOf(FACE_SHAPES),
    neighbourMetres: none(10),
  });

const piece = () =>
  shape({ id: name(), name: name(), kind: oneOf(PIECES), readings: list(size(), 100), caliperMetres: positive(0.01) });

const share = () => real().min(0).max(1);
const photo = () =>
  shape({
    id: name(),
    name: name(),
    width: real().integer().min(1).max(20000),
    height: real().integer().min(1).max(20000),
    pins: list(shape({ x: share(), y: share(), label: text(100) }), 200),
  });

/** What Probe records beside readings. */
export const surveySchema = () =>
  shape({
    mains: shape({
      feed: oneOf(MAINS_FEEDS),
      mainSwitch: oneOf(MAIN_SWITCHES),
      cables: oneOf(CABLES),
      earth: oneOf(EARTHS),
    }),
    meter: meter(),
    strips: list(shape({ id: name(), name: name(), wires: list(text(40), 12).min(2) }), 20),
    keypads: list(keypad(), 20),
    rails: list(rail(), 50),
    faces: list(face(), 100),
    pieces: list(piece(), 100),
    photos: list(photo(), 60),
  });
