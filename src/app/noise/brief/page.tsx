import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { heavily } from '@/threads/pool';
import { loadRig } from '@/store/rigs';
import { Paper } from '@/ui/shell/Paper';
import { onStore } from '../../onStore';

export const metadata: Metadata = { title: 'Brief for an electrician' };
export const dynamic = 'force-dynamic';

const HEADINGS = ['Outlet or strip', 'Plugged into', 'Lead', 'Earth path', 'Rated for', 'Load', 'What is plugged in'];

/** What a licensed electrician is asked, with the circuits and loads of the job, on paper. */
export default onStore(async (store, { searchParams }: { searchParams: Promise<{ rig?: string }> }) => {
  const { rig = '' } = await searchParams;
  const saved = loadRig(store, rig);
  if (!saved) notFound();
  const { document } = saved;
  const { supply, wanted, circuits, leakage } = await heavily('brief', document);
  return (
    <Paper
      title="Brief for a licensed electrician"
      note={`${document.name}. ${supply}.`}
      back={{ href: `/noise?rig=${rig}&tab=mains`, label: 'Back to the noise' }}
    >
      <p>
        These are questions, not instructions. Fixed wiring, boards and earth rods are done by a licensed electrician,
        under local code; protective earth and residual-current protection stay. A generator’s neutral is joined to
        earth, or not, as its maker and local code say.
      </p>
      <h2>What is wanted, and why</h2>
      {wanted.length ? (
        <ol>
          {wanted.map(({ what, why }) => (
            <li key={what}>
              <strong>{what}</strong>
              <br />
              {why}
            </li>
          ))}
        </ol>
      ) : (
        <p>Nothing concerns the wiring: what hums here is mended without it.</p>
      )}
      <h2>Circuits and loads</h2>
      <div style={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label="Circuits and loads">
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
                <td>{units.join(', ') || 'nothing'}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <p>
        Calculated leakage of all earthed units together: {leakage}. Loads that nobody has stated are usual ones for
        their kind.
      </p>
      <h2>Found and done</h2>
      <p>Date, name, licence: ____________________________________________</p>
      <p>Measured earth path, insulation, residual-current device: ____________________________________________</p>
    </Paper>
  );
});
