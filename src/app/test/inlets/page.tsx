import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { inletFigures, type InletFigures, type InletReading } from '@/core/testing';
import { FEEDS, feedLabel, type FeedName } from '@/core/standards/feeds';
import { quantity } from '@/core/units/format';
import { loadInletSheets } from '@/store/testing';
import { Paper } from '@/ui/shell/Paper';
import { onStore } from '../../onStore';
import { capital, dateOf, findingText, LAMP_WORDS } from '../words';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.inletSheet };
export const dynamic = 'force-dynamic';

type Pair = InletFigures['volts'];
const pair = (of: Pair, unit: string): string =>
  of ? of.map(({ value, plusMinus }) => `${quantity(value, unit)} ± ${quantity(plusMinus, unit)}`).join(' · ') : '–';

/** What a feed has to be, as its standard says. */
const limits = (feed: Exclude<FeedName, 'off'>): string => {
  const { volts, tolerance, ohms, source } = FEEDS[feed];
  return text.standardOf(feedLabel(feed), volts - tolerance, volts + tolerance, quantity(ohms, 'Ω'), source);
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
      title={text.inletsOf(name)}
      note={text.meterAndVLoadWithin(
        dateOf(at),
        who,
        100 * means.meter.share,
        means.meter.digits,
        quantity(means.load, 'Ω'),
        100 * means.loadTolerance,
      )}
      back={{ href: `/test?rig=${encodeURIComponent(rig)}`, label: text.backToTest }}
    >
      {feeds.map((feed) => (
        <div key={feed}>{limits(feed)}</div>
      ))}
      <table style={{ marginTop: 12 }}>
        <thead>
          <tr>
            <th scope="col">{text.inlet}</th>
            <th scope="col">{text.feed}</th>
            <th scope="col">{text.openPin23}</th>
            <th scope="col">{text.resistorPin23}</th>
            <th scope="col">{text.whatItSays}</th>
          </tr>
        </thead>
        <tbody>
          {readings.map((reading) => (
            <Row key={reading.inlet} reading={reading} figures={inletFigures(reading, means)} />
          ))}
        </tbody>
      </table>
      <p>{text.aLimitOnlyCounts}</p>
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
      <td>{reading.lamps ? text.lamps(LAMP_WORDS[reading.lamps]) : pair(figures.volts, 'V')}</td>
      <td>{pair(figures.ohms, 'Ω')}</td>
      <td>
        {figures.findings.length === 0
          ? text.asItShould
          : figures.findings.map((finding) => (
              <div key={finding.what} style={{ fontWeight: finding.sure ? 650 : 400 }}>
                {findingText(finding)}
              </div>
            ))}
      </td>
    </tr>
  );
}
