import { thickness, tint } from './tint';

export interface End {
  x: number;
  y: number;
  volts: number | null;
}

/** A conductor between two places, tint and thickness following its voltage at either end. A floating one is dashed. */
export function Rail({ from, to }: { from: End; to: End }) {
  const half = { x: (from.x + to.x) / 2, y: (from.y + to.y) / 2 };
  const changes = Math.abs((from.volts ?? 0) - (to.volts ?? 0)) > 0.05;
  const piece = (a: { x: number; y: number }, b: { x: number; y: number }, volts: number | null) => (
    <line
      x1={a.x}
      y1={a.y}
      x2={b.x}
      y2={b.y}
      stroke={tint(volts)}
      strokeWidth={thickness(Math.abs(volts ?? 0))}
      strokeDasharray={volts === null ? '2 4' : undefined}
      strokeLinecap="butt"
    />
  );
  if (!changes && (from.volts === null) === (to.volts === null)) return piece(from, to, from.volts);
  return (
    <>
      {piece(from, half, from.volts)}
      {piece(half, to, to.volts)}
    </>
  );
}
