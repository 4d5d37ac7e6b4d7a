import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import type { RigResult } from '@/core/rigcheck';
import { exposures, ENTRY_KINDS } from '@/core/log';
import { DocumentError } from '@/core/rig';
import { feedLabel } from '@/core/standards/feeds';
import { live, monitorsOf } from '@/core/runsheet';
import { worded } from '@/core/units/conventions';
import { loadLog } from '@/store/log';
import { loadLastMeasurements } from '@/store/noise';
import { loadRig } from '@/store/rigs';
import { keptSwitching, type Switching } from '@/store/switching';
import { heavily } from '@/threads/pool';
import { LocalTime } from '@/ui/shell/LocalTime';
import { Paper } from '@/ui/shell/Paper';
import { exposureText } from '../exposureText';
import { handOverRows, type HandOverRow } from './rows';
import { onStore } from '../../onStore';
import { page as texts } from './texts';

export const metadata: Metadata = { title: texts.handOver };
export const dynamic = 'force-dynamic';

/** Most of the last entries that are printed. */
const MOST = 200;

/** What the next engineer, the owner or the repair shop has to know, on paper. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig: id = '' } = await searchParams;
  const saved = loadRig(store, id);
  if (!saved) notFound();
  const { document, revision } = saved;
  const entries = loadLog(store, id);
  const record = exposures(entries, new Date().toISOString());
  const told = entries.filter(({ kind }) => kind !== 'step' && kind !== 'rig').slice(-MOST);
  const checked = await heavily('check', { body: document, brief: true });
  if ('refusals' in checked) throw new DocumentError(checked.refusals);
  const rows = handOverRows(document, JSON.parse(checked.json) as RigResult, loadLastMeasurements(store, id));
  const sheet = keptSwitching(store, id);
  const nameOf = (line: string) => document.lines.find((each) => each.id === line)?.name ?? line;
  return (
    <Paper
      title={texts.handOverOf(document.name)}
      note={
        <>
          {texts.revisionPrinted(revision)}
          <LocalTime at={new Date().toISOString()} />
        </>
      }
      back={{ href: `/log?rig=${id}`, label: texts.backToTheLog }}
    >
      <h2>{texts.stateOfTheRig}</h2>
      {sheet ? <AsItStands sheet={sheet} paper={revision} /> : <p>{texts.stateNotRecordedTreat}</p>}
      <h2>{texts.inputList}</h2>
      <div style={{ overflowX: 'auto' }} role="region" aria-label={texts.inputList} tabIndex={0}>
        <table aria-label={texts.lines}>
          <thead>
            <tr>
              <th>{texts.line}</th>
              <th>{texts.sourceAndLinks}</th>
              <th>{texts.inlet}</th>
              <th>{texts.feed}</th>
              <th>{texts.gain}</th>
              <th>{texts.verdict}</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <LineRows key={row.id} row={row} />
            ))}
          </tbody>
        </table>
      </div>
      <h2>{texts.powerEachSourceHasSeen}</h2>
      {record.length === 0 && <p>{texts.noSourceHasHad}</p>}
      <table>
        <tbody>
          {record.map((each) => (
            <tr key={each.line}>
              <td style={{ width: '28%' }}>{nameOf(each.line)}</td>
              <td style={{ width: '32%' }}>{exposureText(each)}</td>
              <td>
                {each.incidents.map(({ at, text }, n) => (
                  <div key={n}>
                    <LocalTime at={at} />: {text}
                  </div>
                ))}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <h2>{texts.notesIncidentsDifferences}</h2>
      {told.length === 0 && <p>{texts.none}</p>}
      <table>
        <tbody>
          {told.map(({ id: entry, at, kind, text, who, lines }) => (
            <tr key={entry}>
              <td style={{ whiteSpace: 'nowrap' }}>
                <LocalTime at={at} />
              </td>
              <td>{ENTRY_KINDS[kind]}</td>
              <td>{lines.map(nameOf).join(', ')}</td>
              <td>{text}</td>
              <td>{who}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p>{texts.reportedNotMeasuredCheck}</p>
    </Paper>
  );
});

const IS = { down: texts.down, open: texts.up, unknown: texts.notKnown };

/** A line with what is known of it; what does not fit a column stands under it. */
function LineRows({ row }: { row: HandOverRow }) {
  const { name, place, source, links, inlet, feed, gain, verdict, findings, answers, open, measured, note } = row;
  const under = [
    [texts.found, worded(findings.join('; '))],
    [texts.stillToFindOut, worded(open.join(' '))],
    [texts.answered, answers.join('; ')],
    [texts.floor, measured],
    [texts.note, note],
  ].filter(([, text]) => text);
  return (
    <>
      <tr>
        <td>
          <strong>{name}</strong>
          {place && <div>{place}</div>}
        </td>
        <td>
          {source}
          {links && <div>→ {links}</div>}
        </td>
        <td>{inlet}</td>
        <td>{feed}</td>
        <td style={{ whiteSpace: 'nowrap' }}>{gain}</td>
        <td>{verdict}</td>
      </tr>
      {under.length > 0 && (
        <tr>
          <td style={{ borderTop: 0 }} />
          <td style={{ borderTop: 0 }} colSpan={5}>
            {under.map(([label, text]) => (
              <div key={label}>
                <em>{label}:</em> {text}
              </div>
            ))}
          </td>
        </tr>
      )}
    </>
  );
}

function AsItStands({ sheet: { rig, session, revision }, paper }: { sheet: Switching; paper: number }) {
  const { state, steps } = session;
  const on = rig.groups.filter(({ key }) => live(rig, state, key));
  const supplied = rig.lines.filter(({ id }) => state.supplies[id] && state.supplies[id].on !== false);
  const monitors = monitorsOf(rig).map(
    ({ id, name }) => `${name || texts.speakersAndHeadphones}: ${IS[state.monitors[id] ?? 'unknown']}`,
  );
  return (
    <ul>
      {revision !== paper && <li>{texts.thisIsHowRevision(revision, paper)}</li>}
      <li>
        {on.length === 0
          ? texts.everyInletFeedIsOff
          : on
              .map(
                ({ key, name }) =>
                  `${name}: ${state.feeds[key].feed === 'unknown' ? texts.notKnownTreatAsLive : feedLabel(state.feeds[key].feed as never)}`,
              )
              .join('; ')}
      </li>
      {supplied.length > 0 && <li>{texts.suppliesStill(supplied.map(({ name }) => name).join(', '))}</li>}
      <li>{monitors.join('; ')}.</li>
      <li>{steps.length ? texts.runSheetUnfinishedSteps(steps.length) : texts.noUnfinishedRunSheet}</li>
    </ul>
  );
}
