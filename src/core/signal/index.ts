/** Recordings: read in pieces, measured, and read for their pattern. */
export { ofPower } from './measure/decibels';
export { recordingMeter, type ChannelReading, type RecordingMeter, type RecordingReading } from './measure/analysis';
export { pffftTransforms } from './measure/pffft';
export { type Transforms } from './measure/transform';
export { WINDOW } from './measure/levels';
export { WavError, wavReader, type WavFormat } from './wav';
export { DISTURBANCES, type Disturbance } from './measure/disturbance';
export { type PairReading } from './measure/pairs';
