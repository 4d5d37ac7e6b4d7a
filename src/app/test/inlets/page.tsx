import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { inletFigures, type InletFigures, type InletReading } from '@/core/testing';
import { FEEDS, feedLabel, type FeedName } from '@/core/standards/feeds';
import { quantity } from '@/core/units/format';
import { loadInletSheets } from '@/store/testing';
import { Paper } from '@/ui/shell/Paper';
import { onStore } from '../../onStore';
import { capital, dateOf, findingText, LAMP_WORDS } from '../words';

export const metadata: Metadata = { title: 'Inlet sheet' };
export const dynamic = 'force-dynamic';

type Pair = InletFigures['volts'];
const pair = (of: Pair, unit: string): string =>
  of ? of.map(({ value, plusMinus }) => `${quantity(value, unit)} ± ${quantity(plusMinus, unit)}`).join(' · ') : '–';

/** What a feed has to be, as its standard says. */
const limits = (feed: Exclude<FeedName, 'off'>): string => {
  const { volts, tolerance, ohms, source } = FEEDS[feed];
  return `${feedLabel(feed)}: ${volts - tolerance} to ${volts + tolerance} V open, ${quantity(ohms, 'Ω')} ± 10 % a leg, alike within 0.4 % (${source})`;
};

/** A device's inlets on paper: what each gives, how far the meter may be off, and what fails the standard. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string; sheet?: string }> }) => {
  const { rig = '', sheet: wanted } = await searchParams;
  const sheet = loadInletSheets(store, rig).find(({ id }) => String(id) === wanted);
  if (!sheet) notFound();
  const { name, at, who, means, readings } = sheet;
  const feeds = [...new Set(readings.map(({ feed }) => feed))].filter((feed) => feed !== 'off');
  return (
    <Paper
      title={`Inlets of ${name}`}
      note={`${dateOf(at)}${who ? `, ${who}` : ''}. Meter: ${100 * means.meter.share} % and ${means.meter.digits} V; load ${quantity(means.load, 'Ω')} within ${100 * means.loadTolerance} %.`}
      back={{ href: `/test?rig=${encodeURIComponent(rig)}`, label: 'Back to Test' }}
    >
      {feeds.map((feed) => (
        <div key={feed}>{limits(feed)}</div>
      ))}
      <table style={{ marginTop: 12 }}>
        <thead>
          <tr>
            <th scope="col">Inlet</th>
            <th scope="col">Feed</th>
            <th scope="col">Open, pin 2 · 3</th>
            <th scope="col">Resistor, pin 2 · 3</th>
            <th scope="col">What it says</th>
          </tr>
        </thead>
        <tbody>
          {readings.map((reading) => (
            <Row key={reading.inlet} reading={reading} figures={inletFigures(reading, means)} />
          ))}
        </tbody>
      </table>
      <p>
        A limit only counts as exceeded where the meter is sure. What it cannot tell is said so: read it again with a
        better meter, or measure pin 2 to 3 with two equal loads.
      </p>
    </Paper>
  );
});

function Row({ reading, figures }: { reading: InletReading; figures: InletFigures }) {
  return (
    <tr>
      <td>
        <strong>{capital(reading.name)}</strong>
      </td>
      <td>{feedLabel(reading.feed)}</td>
      <td>{reading.lamps ? `lamps: ${LAMP_WORDS[reading.lamps]}` : pair(figures.volts, 'V')}</td>
      <td>{pair(figures.ohms, 'Ω')}</td>
      <td>
        {figures.findings.length === 0
          ? 'as it should be'
          : figures.findings.map((finding) => (
              <div key={finding.what} style={{ fontWeight: finding.sure ? 650 : 400 }}>
                {findingText(finding)}
              </div>
            ))}
      </td>
    </tr>
  );
}
