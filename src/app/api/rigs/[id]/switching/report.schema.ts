import Joi from 'joi';
import { FEEDS } from '@/core/standards/feeds';
import { LINE_CHECKS } from '@/core/runsheet';
import type { SheetReport } from '@/store/switching';
import { Refused } from '@/store/refused';

const id = Joi.string().max(200);
const known = Joi.valid(true, false, 'unknown').required();
const feed = Joi.valid('off', ...Object.keys(FEEDS));
const ids = Joi.array().items(id).max(1024).required();

const aim = Joi.object({
  kind: Joi.valid('set-up', 'change-over', 'strike').required(),
  plugged: ids,
  exchanged: ids,
  feeds: Joi.object().pattern(id, feed).max(1024).required(),
  open: ids,
  unpowered: ids,
  left: ids,
  stuck: ids,
  exchangedAt: Joi.object().pattern(id, Joi.valid('stage', 'desk')).max(1024),
  order: Joi.valid('time', 'walks'),
});
/** What somebody has seen as next at a place; it is compared with what is. */
const at = Joi.object({
  place: Joi.string().max(300).required(),
  actions: Joi.array().items(Joi.object().unknown()).min(1).max(1024).required(),
});

const what = Joi.alternatives(
  Joi.object({ feed: id.required(), is: feed.valid('unknown').required() }),
  Joi.object({ line: id.required(), end: Joi.valid('stage', 'desk').required(), is: known }),
  Joi.object({ muted: id.required(), is: known }),
  Joi.object({ supply: id.required(), is: known }),
  Joi.object({ mains: id.required(), is: known }),
  Joi.object({ monitors: id.required(), is: Joi.valid('down', 'open', 'unknown').required() }),
);

const step = Joi.number().integer().min(0).max(10_000).required();
const REPORTS: Record<SheetReport['report']['report'], Joi.ObjectSchema> = {
  start: Joi.object({ from: Joi.valid('packed', 'unknown').required() }),
  begin: Joi.object({ aim: aim.required() }),
  done: Joi.object({ count: Joi.number().integer().min(1).max(1024), at }).oxor('count', 'at'),
  found: Joi.object({ what: what.required() }),
  'not possible': Joi.object({ why: Joi.string().max(200).allow(''), photo: Joi.string().max(60), at }),
  checked: Joi.object({
    line: id.required(),
    bad: Joi.array()
      .items(Joi.valid(...Object.keys(LINE_CHECKS)))
      .unique()
      .required(),
    note: Joi.string().max(200).allow(''),
  }),
  retry: Joi.object({ left: step }),
  move: Joi.object({ from: step, to: step }),
  back: Joi.object({ to: step }),
  end: Joi.object(),
  // Of an older page: it has seen nothing.
  adopt: Joi.object({ seen: ids.optional().default([]), asOnPaper: ids.optional().default([]) }),
};

const told = Joi.object({
  version: Joi.number().integer().min(0).required(),
  who: Joi.string().trim().max(60).allow('').default(''),
  report: Joi.object({ report: Joi.valid(...Object.keys(REPORTS)).required() })
    .unknown()
    .required(),
});

/** What a body reports of a sheet. @throws Refused for anything else, with the field that is wrong */
export function readTold(body: unknown): SheetReport {
  const head = told.validate(body, { convert: true });
  if (head.error) throw refusal(head.error);
  const { report, ...rest } = head.value.report as { report: SheetReport['report']['report'] };
  const own = REPORTS[report].label('report').validate(rest, { convert: false });
  if (own.error) throw refusal(own.error);
  return { ...head.value, report: { report, ...own.value } };
}

const refusal = (error: Joi.ValidationError): Refused =>
  new Refused(
    400,
    'bad-request',
    `${error.message}; send { "version": VERSION, "who": NAME, "report": { "report": ${Object.keys(REPORTS)
      .map((name) => `"${name}"`)
      .join(' | ')}, … } }`,
  );
