export { codeFiles, packedProgram, packFiles, stopsIn, type PackInput, type PackPin, type PackPress } from './files';
export type { PackFile } from './pack-file';
export type { PackPapers } from './papers/papers';
export { unitFiles } from './unit-files';
export { lacksInPython, lacksOf, runsPython } from './lacks';
export { packFindings } from './findings';
export { wireColour } from './wiring-svg';
export { PROGRAM_FILE } from './python';
