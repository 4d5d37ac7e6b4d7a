import type { LineHum } from './hearing';
import type { Dbu } from '../units';
import type { Cost } from './candidates';
import type { MainsEdit } from './edits';

/** A change with what it does at the line it is for. */
export interface MainsRemedy {
  what: string;
  cost?: Cost;
  /** Absent where no line is meant. */
  line?: string;
  /** At that line's inlet, as the engineer's meter reads it. */
  before?: Dbu;
  after?: Dbu;
  /** This model cannot say what it changes. */
  unknown?: true;
  /** Absent where it is for somebody to do, and this program cannot draw it. */
  edit?: MainsEdit;
}

/** One statement about the mains side of a job. */
export interface MainsFinding {
  code:
    | 'earth-lifted'
    | 'earth-missing'
    | 'earth-path'
    | 'touch-current'
    | 'overloaded'
    | 'residual'
    | 'floating'
    | 'too-near'
    | 'hum'
    | 'whine'
    | 'hum-unsure'
    | 'outage'
    | 'nothing-to-mend';
  severity: 'harm' | 'watch' | 'note';
  what: string;
  why: string;
  line?: string;
  /** The one figure of that line that would tell it better. */
  ask?: LineHum['ask'];
  remedies: MainsRemedy[];
  /** It concerns fixed wiring or leads that are no business of a sound engineer. */
  forElectrician?: true;
}
