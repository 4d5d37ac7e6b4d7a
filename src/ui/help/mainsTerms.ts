import type { Term } from './term';

/** Words of the mains side (common practice). */
export const MAINS_TERMS: readonly Term[] = [
  {
    id: 'earth-path',
    term: 'earth path',
    words: ['earth path'],
    text: 'The protective conductor from a unit’s case to the earth of the supply. It carries a fault home; above about 0.1 Ω plus its lead it is out of use until repaired.',
  },
  {
    id: 'mains-leakage',
    term: 'leakage',
    words: [],
    text: 'Current that the filter capacitors of a unit send to earth all the time. 4.7 nF at 230 V and 50 Hz make 0.34 mA.',
  },
  {
    id: 'residual-current-device',
    term: 'residual-current device',
    words: ['residual-current device', 'ground-fault interrupter'],
    text: 'Trips when current leaves by another way than it came. Leakage of many filters adds up against its limit.',
  },
  {
    id: 'touch-current',
    term: 'touch current',
    words: ['touch current'],
    text: 'What flows through whoever touches a unit. Measured by a shop, never with an earth conductor opened.',
  },
  {
    id: 'class-two',
    term: 'class II',
    words: ['class II'],
    text: 'A unit that needs no protective earth, by double insulation: two pins. Its case floats at part of the mains voltage, behind small capacitors.',
  },
  {
    id: 'bonding-lead',
    term: 'bonding lead',
    words: ['bonding lead'],
    text: 'A lead from a shell or signal ground of floating gear to the earth of the supply in use. Never to pipes, a rod of its own, or anything inside a unit.',
  },
  {
    id: 'galvanic-isolator',
    term: 'galvanic isolator',
    words: ['galvanic isolator'],
    text: 'Pairs of diodes in an earth conductor: small currents stop at about a volt, a fault passes. Whether one may be used local code decides.',
  },
  {
    id: 'balanced-power',
    term: 'balanced power',
    words: ['balanced power'],
    text: 'A transformer that puts both poles at half the voltage from earth. It cancels leakage only as far as both filter capacitors of a unit match.',
  },
  {
    id: 'pin-one',
    term: 'pin 1 (as a fault)',
    words: [],
    text: 'Shield current that runs through an inlet’s signal ground before it gets to the case. AES48 joins the shield to the case first.',
  },
  {
    id: 'between-shells',
    term: 'between the shells',
    words: ['between the shells', 'between shells'],
    text: 'A voltmeter from one plug’s shell to the other socket’s, the line unplugged. It tells what would run through the shield, and puts a calculated hum right.',
  },
  {
    id: 'conditioner',
    term: 'conditioner',
    words: ['conditioner'],
    text: 'A filter for the mains of a rack. It does little for a loop through a shield, and this program says nothing of what one would change.',
  },
];
