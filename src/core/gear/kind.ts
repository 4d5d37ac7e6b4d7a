import type { ChoiceSpec, FigureSpec } from './figures';

/** What every kind of gear has in common. */
export interface Kind {
  kind: string;
  label: string;
  /** One sentence that tells somebody in the rain whether this is what they hold. */
  summary: string;
  /** What the trade calls it besides, short words among them; the first ones are what people mean by them. */
  words?: readonly string[];
  /** What can hurt people here. */
  caution?: string;
  figures: Record<string, FigureSpec>;
  choices: Record<string, ChoiceSpec>;
}

/** Groups sources by what they tolerate; rules speak of these and never of kinds. */
export type Character = 'moving coil' | 'passive ribbon' | 'powered' | 'self-powered' | 'line output' | 'pickup';

/** Sockets by what they are meant for: a line output goes to a line socket, a pickup to an instrument socket. */
export type MeantFor = 'microphone' | 'line' | 'instrument' | 'plug-in';

/** How a source's open-circuit level follows from its figures. */
export type LevelFrom = 'sensitivity' | 'output level';
