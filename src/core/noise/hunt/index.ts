/** Finding what hums, buzzes or whines by turning units on and off and measuring. */
export { CAUTIONS, LOOPS } from './mending';
export {
  huntView,
  WAYS,
  type Account,
  type Hunt,
  type HuntStep,
  type HuntView,
  type NextStep,
  type Way,
} from './session';
export { MOST_SUSPECTS, suspectsOf, UNIT_KIND_NAMES, type Suspect } from './suspects';
