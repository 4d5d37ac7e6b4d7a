import type { LineHum } from './hearing';
import type { MainsRemedy } from './remedies';

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
