import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { heavily } from '@/threads/pool';
import { loadRig } from '@/store/rigs';
import { Paper } from '@/ui/shell/Paper';
import { onStore } from '../../onStore';
import { worded } from '@/core/units/conventions';
import { page as text } from './texts';

export const metadata: Metadata = { title: text.briefForAnElectrician };
export const dynamic = 'force-dynamic';

const HEADINGS = [
  text.outletOrStrip,
  text.pluggedInto,
  text.lead,
  text.earthPath,
  text.ratedFor,
  text.load,
  text.whatIsPlugged,
];

/** What a licensed electrician is asked, with the circuits and loads of the job, on paper. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig = '' } = await searchParams;
  const saved = loadRig(store, rig);
  if (!saved) notFound();
  const { document } = saved;
  const { supply, wanted, circuits, leakage } = await heavily('brief', document);
  return (
    <Paper
      title={text.briefForALicensedElectrician}
      note={`${document.name}. ${supply}.`}
      back={{ href: `/noise?rig=${rig}&tab=mains`, label: text.backToTheNoise }}
    >
      <p>{text.theseAreQuestionsNotInstructions}</p>
      <h2>{text.whatIsWantedAndWhy}</h2>
      {wanted.length ? (
        <ol>
          {wanted.map(({ what, why }) => (
            <li key={what}>
              <strong>{worded(what)}</strong>
              <br />
              {worded(why)}
            </li>
          ))}
        </ol>
      ) : (
        <p>{text.nothingConcernsTheWiringWhat}</p>
      )}
      <h2>{text.circuitsAndLoads}</h2>
      <div style={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label={text.circuitsAndLoads}>
        <table>
          <thead>
            <tr>
              {HEADINGS.map((heading) => (
                <th key={heading} scope="col">
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {circuits.map(({ outlet, from, lead, earth, rating, load, units }) => (
              <tr key={outlet}>
                <th scope="row">{outlet}</th>
                <td>{from}</td>
                <td>{lead}</td>
                <td>{earth}</td>
                <td>{rating}</td>
                <td>{load}</td>
                <td>{units.join(', ') || text.nothing}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p>{text.calculatedLeakageOfAllEarthed(leakage)}</p>
      <h2>{text.foundAndDone}</h2>
      <p>{text.dateNameLicence}</p>
      <p>{text.measuredEarthPathInsulationResidual}</p>
    </Paper>
  );
});
