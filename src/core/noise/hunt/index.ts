/** Finding what hums, buzzes or whines by turning units on and off and measuring. */
export { CAUTIONS, LOOPS } from './mending';
export { type Account } from './accounts';
export { huntView, type HuntView, type NextStep } from './session';
export { MOST_POINTS, stepSpectrum } from './spectrum';
export { shopCase, type ShopCase } from './shop';
export { WAYS, type Expected, type Hunt, type HuntStep, type Way } from './state';
export { MOST_SUSPECTS, suspectsOf, UNIT_KIND_NAMES, type Suspect } from './suspects';
