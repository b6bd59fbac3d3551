import { messagesOf, type Program } from '../../../build/program';
import type { Bill } from '../../../engines/parts';
import { neverSaid, type Job } from '../../../ground/job';
import { textFile, type PackFile } from '../pack-file';
import { slug } from '../../../ground/quantity';
import { csv } from '../tables';
import type { SheetWire } from '../wiring-svg';
import { asyncApi } from './asyncapi';
import { guideBlocks, labelBlocks, type PaperPhoto, type PaperPin } from './build-sheets';
import { electricianBlocks, type PaperMains } from './electrician';
import { paperText, type PaperBlock } from './paper';
import { programmingBlocks, type PaperBoard } from './programming';

/** What the papers are told beside wiring and program. */
export interface PackPapers {
  /** Null while no board is chosen. */
  readonly board: PaperBoard | null;
  /** What is to be done or seen to before anything else, in order. */
  readonly cautions: readonly string[];
  readonly photos: readonly PaperPhoto[];
  /** Null where no mains is about. */
  readonly mains: PaperMains | null;
  /** When a program begins something by the clock, as a calendar file; null for never. Its library is not for the page. */
  readonly calendarOf: (p: Program) => string | null;
}

/** What sheets for people are written of. */
interface PaperInput {
  readonly job: Job;
  readonly papers: PackPapers;
  /** Titles of what stops the plan. */
  readonly stops: readonly string[];
  readonly wires: readonly SheetWire[];
  readonly bill: Bill['lines'];
  readonly pins: readonly PaperPin[];
  /** The language of the program that goes onto the board; null where none is packed. */
  readonly program: 'python' | 'c' | null;
  /** What that program does not do. */
  readonly lacks: readonly string[];
  /** What a file is called. */
  readonly named: (file: string) => string;
}

/** Sheets for people, A4 in black and white. */
export function paperFiles({ job, papers, stops, wires, bill, pins, program, lacks, named }: PaperInput): PackFile[] {
  const paper = (name: string, what: string, heading: string, blocks: readonly PaperBlock[]): PackFile =>
    textFile(name, what, 'text/html', paperText(`${job.title}: ${heading}`, job.touchedAt.slice(0, 10), stops, blocks));
  const { board, mains, cautions, photos } = papers;
  const parts = bill.map((l) => [String(l.quantity), l.name, l.value] as const);
  const { outcome, never } = job.wish;
  return [
    ...(mains
      ? [
          paper(
            'electrician.html',
            'sheet for a licensed electrician',
            'for a licensed electrician',
            electricianBlocks(mains, outcome, neverSaid(never)),
          ),
        ]
      : []),
    ...(wires.length > 0
      ? [
          paper(
            'build-guide.html',
            'build guide',
            'build guide',
            guideBlocks({ cautions, parts, wires, photos, programmed: program !== null, named }),
          ),
          paper('labels.html', 'labels to print', 'labels', labelBlocks(wires, pins)),
        ]
      : []),
    ...(board && program
      ? [
          paper(
            'programming.html',
            'getting it onto the board',
            'programming',
            programmingBlocks({ board, program, title: job.title, lacks, named }),
          ),
        ]
      : []),
  ];
}

/** What a program says and hears, and when it begins something by the clock. */
export function programPapers(p: Program, { calendarOf }: PackPapers, python: boolean): PackFile[] {
  const calendar = calendarOf(p);
  const messages = python ? messagesOf(p, slug(p.title), slug) : [];
  const rows = messages.map((m) => [
    m.topic,
    m.way,
    m.what,
    m.name,
    m.retained ? 'yes' : 'no',
    m.will ?? '',
    m.examples.join(' | '),
  ]);
  const columns = ['topic', 'controller', 'what', 'of', 'kept by the broker', 'last will', 'texts'];
  return [
    ...(messages.length > 0
      ? [
          textFile('messages.json', 'its messages, AsyncAPI', 'application/json', asyncApi(p, messages)),
          textFile('messages.csv', 'its messages, as a table', 'text/csv', csv(columns, rows)),
        ]
      : []),
    ...(calendar ? [textFile('routine.ics', 'when it begins by the clock', 'text/calendar', calendar)] : []),
  ];
}
