/** What a line should deliver: level, noise, and what would better it. */
export {
  knownOf,
  METERS,
  noiseBudget,
  openBudget,
  recorded,
  type BudgetWishes,
  type ComputedTones,
  type Contribution,
  type FloorRead,
  type MeasuredTones,
  type NoBudget,
  type NoiseBudget,
  type OpenBudget,
} from './budget';
export { type NoiseKind, type NoisePart } from './parts';
export { noiseRemedies, type NoiseRemedy } from './remedies';
export { type Room } from './sound';
