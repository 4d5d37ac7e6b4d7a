import Joi from 'joi';
import { exactly } from '../rig/parts.schema';
import { published } from '../rig/published';
import { FEEDS } from '../standards/feeds';
import { ENTRY_KINDS, FORMAT, VERSION, type LogEntry } from './entry';
import type { LogFile, NamedExposure } from './file';

const text = Joi.string().allow('').required();
const moment = Joi.string().isoDate().required().description('in UTC');
const feed = Joi.valid(...Object.keys(FEEDS), 'unknown');
const line = Joi.string().description('id of a line of the rig');

const entry = exactly<Omit<LogEntry, 'id'>>({
  at: moment,
  kind: Joi.valid(...Object.keys(ENTRY_KINDS)).required(),
  who: text,
  text,
  place: Joi.string().allow(''),
  lines: Joi.array().items(line).required(),
  photo: Joi.string().description('id of a photo that is kept with the rig'),
  fed: Joi.object().pattern(Joi.any(), feed).description('by line, what its source had from then on'),
});

const exposure = exactly<NamedExposure>({
  line: line.required(),
  name: text,
  feeds: Joi.array()
    .items(
      exactly<NamedExposure['feeds'][number]>({
        feed: feed.required(),
        seconds: Joi.number().min(0).required(),
        times: Joi.number().integer().min(0).required(),
      }),
    )
    .required(),
  incidents: Joi.array()
    .items(exactly<NamedExposure['incidents'][number]>({ at: moment, text }))
    .required(),
});

const schema = exactly<LogFile>({
  format: Joi.valid(FORMAT).required(),
  version: Joi.valid(VERSION).required(),
  rig: text.description('name of the rig'),
  entries: Joi.array().items(entry).required(),
  exposures: Joi.array().items(exposure).required(),
});

/** The published JSON Schema of `inlet-check-log`. */
export const logSchema = () => published(`${FORMAT}, version ${VERSION}`, schema);
