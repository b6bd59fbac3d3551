export { CaptureProblem } from './problem';
export { CAPTURE_LIMIT, readCapture, type Capture, type ReadOptions } from './read';
export { MOST_LINES, TimingRecorder, type Edge, type LineTiming, type CaptureTiming } from './timing';
