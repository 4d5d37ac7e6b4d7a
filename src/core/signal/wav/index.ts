/** Recordings as WAV, read in pieces. */
export { WavError, type WavFormat } from './format';
export { wavReader, type WavListener, type WavReader } from './reader';
export type { Block } from './samples';
