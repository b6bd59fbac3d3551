/** What Probe records beside readings: the meter, strips, keypads, rails, sizes and photographs. */

/** A meter: a share of the reading plus a number of last digits, and what it does to the circuit. */
export interface Meter {
  name: string;
  /** Share of the reading and count of last digits on DC volts. */
  voltsShare: number;
  voltsDigits: number;
  /** The same on every other setting. */
  otherShare: number;
  otherDigits: number;
  /** Input resistance on volts, Ω. */
  inputOhms: number;
  /** Resistance of the milliampere jack, Ω. */
  burdenOhms: number;
  /** Top of the ohms range; above it the display shows over range. */
  mostOhms: number;
  /** The continuity beeper sounds below this, Ω. */
  beepBelowOhms: number;
  /** False for a meter that averages and is scaled for sine waves. */
  trueRms: boolean;
  /** False while the usual meter stands in for one that nobody described. */
  stated: boolean;
}

/** An unlabelled strip of terminals; its readings carry the strip's id as control and the terminal's number as contact. */
export interface Strip {
  id: string;
  name: string;
  /** What is seen at each terminal, as a wire colour; one entry a terminal, 2 to 12. */
  wires: string[];
}

/** A keypad: where its keys sit, and which pair of lines each one joins. */
export interface Keypad {
  id: string;
  name: string;
  rows: number;
  columns: number;
  keys: PadKey[];
  /** From a capture: how the lines are scanned; null where only continuity was read. */
  scan: PadScan | null;
}
/** A key of a pad: its place, its label and its two lines. */
export interface PadKey {
  label: string;
  row: number;
  column: number;
  /** Lines that the key joins; the strobed one first where that is known. Empty while unknown. */
  lines: string[];
  from: 'capture' | 'continuity' | 'hand';
}
/** How a pad is scanned, s. */
export interface PadScan {
  periodSeconds: number;
  widthSeconds: number;
  polarity: 'low' | 'high';
  /** Strobe lines in the order of the scan. */
  strobes: string[];
  senses: string[];
}

/** A supply rail found inside the machine. */
export interface Rail {
  id: string;
  name: string;
  /** Volts without and with a load, and the current of that load; null while not read. */
  openVolts: number | null;
  loadedVolts: number | null;
  loadAmps: number | null;
  /** True where the rail is there while the machine rests as well as while it runs. */
  whileIdle: boolean | null;
  whileRunning: boolean | null;
  /** AC part under load, V. */
  rippleVolts: number | null;
  /** Capacitor that must empty before touching, F, with its discharge path, Ω, and its voltage, V. */
  storedFarads: number | null;
  bleedOhms: number | null;
  storedVolts: number | null;
}

/** Shapes of a control’s face. */
export const FACE_SHAPES = ['flat', 'curved', 'recessed', 'soft'] as const;
/** How a control can be reached. */
export const ACCESS = ['open', 'from-front-only', 'behind-a-cover', 'sealed'] as const;
/** The hand's side of one control. Lengths in metres, forces in newtons; null where not measured. */
export interface FaceSurvey {
  control: string;
  forceNewtons: number | null;
  travelMetres: number | null;
  access: (typeof ACCESS)[number];
  shape: (typeof FACE_SHAPES)[number];
  /** Free distance from its edge to the nearest neighbour, m. */
  neighbourMetres: number | null;
}

/** What a measured piece is. */
export const PIECES = ['tube', 'shaft', 'bore', 'crank', 'flat'] as const;
/** A part measured with a caliper: several readings of one size. */
export interface Piece {
  id: string;
  name: string;
  kind: (typeof PIECES)[number];
  /** Caliper readings of the size, m. */
  readings: number[];
  /** Stated error of the caliper, m. */
  caliperMetres: number;
}

/** A photograph kept beside the job; its picture lives in the store under its id and travels with the job. */
export interface Photo {
  id: string;
  name: string;
  width: number;
  height: number;
  pins: PhotoPin[];
}
/** A named point on a photograph, as shares of its width and height. */
export interface PhotoPin {
  x: number;
  y: number;
  label: string;
}

/** How mains comes to the machine. */
export const MAINS_FEEDS = ['unknown', 'plug-turns', 'plug-one-way', 'wired', 'none'] as const;
/** How its main switch stood while it was read. */
export const MAIN_SWITCHES = ['unknown', 'closed', 'none', 'open'] as const;
/** What else leads to the machine. */
export const CABLES = ['unknown', 'none', 'some'] as const;
/** Where its earth is found. */
export const EARTHS = ['unknown', 'pin', 'case', 'nowhere'] as const;
/** Who can test insulation with 500 V here. */
export const TESTERS = ['unknown', 'at-hand', 'none'] as const;
/** How the machine meets mains, as asked before the isolation readings. */
export interface MainsSide {
  /** A plug that goes in either way round, one that goes in one way only, fixed wiring, or none: batteries, a low-voltage feed. */
  feed: (typeof MAINS_FEEDS)[number];
  /** The machine's own main switch while ohms were read. */
  mainSwitch: (typeof MAIN_SWITCHES)[number];
  /** A charger or other cables to something that is fed from mains, for a machine without a plug. */
  cables: (typeof CABLES)[number];
  /** Where earth was taken from: the plug's pin, the metal case, or nowhere in the machine. */
  earth: (typeof EARTHS)[number];
  /** Whether somebody here can test insulation with 500 V. */
  tester: (typeof TESTERS)[number];
  /** What a small battery in series with the meter shows with the tips touching, V; null while not read, 0 where there is none. */
  batteryVolts: number | null;
}

/** What Probe records beside readings. */
export interface Survey {
  mains: MainsSide;
  meter: Meter;
  strips: Strip[];
  keypads: Keypad[];
  rails: Rail[];
  faces: FaceSurvey[];
  pieces: Piece[];
  photos: Photo[];
}
