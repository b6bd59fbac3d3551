export { packFiles, packFindings, packZip, slug, type PackFile, type PackInput } from './files';
export { wireColour } from './wiring-svg';
