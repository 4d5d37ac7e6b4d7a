import type { SupplyStake } from '../gear';

/** What a part lives on, at the beginning of a sentence. */
export const characterLabel = (wants: SupplyStake['wants']): string =>
  ({ phantom: 'Phantom', 'plug-in power': 'Plug-in power', T12: 'T12' })[wants];
