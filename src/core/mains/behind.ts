/** What hangs on each outlet, on itself or behind it: every unit's current runs through all leads between it and the wall. */
export function behind<U extends { outlet?: string }>({
  units,
  outlets,
}: {
  units: readonly U[];
  outlets: readonly { name: string; from?: string }[];
}): Map<string, U[]> {
  const from = new Map(outlets.map((outlet) => [outlet.name, outlet.from]));
  const loads = new Map<string, U[]>(outlets.map(({ name }) => [name, []]));
  for (const unit of units) for (let at = unit.outlet; at !== undefined; at = from.get(at)) loads.get(at)?.push(unit);
  return loads;
}
