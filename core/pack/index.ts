export { packFiles, packZip, type Picture, unpackZip, type PackFile, type PackInput } from './files';
export { lacksOf } from './lacks';
export { packFindings } from './findings';
export { slug } from './slug';
export { wireColour } from './wiring-svg';
