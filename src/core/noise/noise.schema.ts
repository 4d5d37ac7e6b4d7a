import Joi from 'joi';
import { UNIT_KIND_NAMES, MOST_POINTS, MOST_SUSPECTS, WAYS, type Hunt, type HuntStep } from './hunt';
import { COMPONENT_NAMES } from './components';
import { ORIGINS, type KeptLadder, type WholeMeasurement } from './kept';
import { LADDERS, RUNGS } from './ladder';

/** What comes through the door about noise. */

const id = Joi.string().max(200);
const who = Joi.string().trim().max(60).allow('').default('');
const level = Joi.number().min(-250).max(100);
const gain = Joi.number().min(-60).max(120);
const measured = Joi.object({
  power: Joi.number().min(0).required(),
  error: Joi.number().min(0).required(),
}).required();
const tone = {
  hz: Joi.number().min(0).max(1e6).required(),
  dbfs: level.required(),
  power: Joi.number().min(0).required(),
};
const coded = Joi.object({ code: Joi.string().max(40).required() }).pattern(
  Joi.valid('what', 'usually', 'evidence', 'text'),
  Joi.string().max(500),
);
const count = Joi.number().integer().min(0).max(1e9).required();

/** What readings did not have before, as it would have been then. */
const since = {
  floorDbfs: level
    .allow(null)
    .default((parent: { usable?: boolean; rmsDbfs?: number }) => (parent.usable ? parent.rmsDbfs : null)),
  disturbances: Joi.array()
    .items(
      Joi.object({
        code: Joi.string().max(40).required(),
        from: Joi.number().min(0).max(1e7).required(),
        to: Joi.number().min(0).max(1e7).required(),
        evidence: Joi.string().max(500).required(),
      }),
    )
    .max(1000)
    .default([]),
  wandering: Joi.array()
    .items(
      Joi.object({
        fromHz: Joi.number().min(0).max(1e6).required(),
        toHz: Joi.number().min(0).max(1e6).required(),
        dbfs: level.required(),
      }),
    )
    .max(100)
    .default([]),
  reachesHz: Joi.number().min(0).max(20_000).default(20_000),
  cut80Dbfs: level.default((parent: { bandDbfs?: number }) => parent.bandDbfs),
  dropouts: Joi.number().integer().min(0).max(1e9).default(0),
  bits: Joi.number().integer().min(1).max(64).allow(null).default(null),
  clean: Joi.boolean().default(false),
};

const reading = Joi.object({
  ...since,
  ...Object.fromEntries(
    [
      'peakDbfs',
      'rmsDbfs',
      'bandDbfs',
      'quietestDbfs',
      'medianDbfs',
      'loudestDbfs',
      'aWeightedDbfs',
      'hissDbfs',
      'broadbandDbfs',
      'rumbleDbfs',
    ].map((name) => [name, level.required()]),
  ),
  crestDb: level.required(),
  dcOffset: Joi.number().min(-2).max(2).required(),
  mains: Joi.object({
    frequencyHz: Joi.number().min(0).max(1000).required(),
    harmonics: Joi.array()
      .items(Joi.object({ ...tone, order: Joi.number().integer().min(1).max(400).required() }))
      .max(400)
      .required(),
  })
    .allow(null)
    .required(),
  tones: Joi.array()
    .items(Joi.object({ ...tone, harmonic: Joi.number().integer().min(1).max(1000) }))
    .max(100)
    .required(),
  slopeDbPerOctave: Joi.number().required(),
  clippedRuns: count,
  zeroRuns: count,
  clicks: count,
  gate: Joi.object({ depth: Joi.number().required(), shut: Joi.number().required(), times: count })
    .allow(null)
    .required(),
  usable: Joi.boolean().required(),
  reasons: Joi.array().items(coded).max(20).required(),
  patterns: Joi.array().items(coded).max(20).required(),
});

const measurement = Joi.object({
  seconds: Joi.number().min(0).max(1e7).required(),
  sampleRate: Joi.number().min(1000).max(1e6).required(),
  reading: reading.required(),
  plain: measured,
  weighted: measured,
  course: Joi.object({
    every: Joi.number().greater(0).required(),
    levels: Joi.array().items(level).max(2000).required(),
  }).required(),
  spectrum: Joi.array()
    .items(Joi.object({ hz: Joi.number().min(0).required(), level: Joi.number().min(-300).max(100).required() }))
    .max(2000)
    .required(),
});

/** A measurement to keep; one that is put back has the time at which it was made. */
export const measurementSchema: Joi.ObjectSchema<
  Omit<WholeMeasurement, 'id' | 'at' | 'audio'> & Partial<Pick<WholeMeasurement, 'at'>>
> = Joi.object({
  line: id.required(),
  at: Joi.string().isoDate(),
  who,
  origin: Joi.valid(...Object.keys(ORIGINS)).required(),
  name: Joi.string().trim().min(1).max(120).required(),
  gain,
  measurement: measurement.required(),
  predicted: Joi.object({ dbfs: level.required(), dbfsA: level.required() }),
});

/** A ladder to keep. */
export const ladderSchema: Joi.ObjectSchema<Omit<KeptLadder, 'id' | 'at'>> = Joi.object({
  line: id.required(),
  who,
  kind: Joi.valid(...Object.keys(LADDERS)).required(),
  readings: Joi.array()
    .items(
      Joi.object({
        rung: Joi.valid(...Object.keys(RUNGS)).required(),
        gain: gain.required(),
        plain: measured,
        weighted: measured,
        refused: Joi.string().max(500),
      }),
    )
    .max(60)
    .required(),
});

/** A hunt to begin. */
export const huntSchema: Joi.ObjectSchema<Omit<Hunt, 'steps'> & { who: string }> = Joi.object({
  way: Joi.valid(...Object.keys(WAYS)).required(),
  line: id.required(),
  who,
  suspects: Joi.array()
    .items(
      Joi.object({
        id: id.required(),
        name: Joi.string().trim().min(1).max(80).required(),
        kind: Joi.valid(...UNIT_KIND_NAMES).required(),
        outlet: Joi.string().trim().max(80),
        fixed: Joi.valid(true),
      }),
    )
    .min(2)
    .max(MOST_SUSPECTS)
    .unique('id')
    .required(),
});

/** A step of a hunt, or the last one taken back. */
export const huntChangeSchema: Joi.ObjectSchema<{
  version: number;
  who: string;
  step?: Omit<HuntStep, 'at'>;
  undo?: true;
}> = Joi.object({
  version: Joi.number().integer().min(1).required(),
  who,
  step: Joi.object({
    on: Joi.array().items(id).max(MOST_SUSPECTS).required(),
    components: Joi.object(
      Object.fromEntries(COMPONENT_NAMES.map((name) => [name, Joi.number().min(0).max(10).required()])),
    ).required(),
    spectrum: Joi.array()
      .items(
        Joi.object({ hz: Joi.number().min(1).max(2e5).required(), level: Joi.number().min(-400).max(60).required() }),
      )
      .max(MOST_POINTS),
  }),
  undo: Joi.valid(true),
}).xor('step', 'undo');
