/** What somebody owns: items with their figures and where those come from, as JSON and as a table. */
export * from './item';
export * from './facts';
export { kitSchema, parseKit, readItem, readKit } from './schema';
export { mergedItem } from './merge';
export { overdrawn, type Overdrawn } from './counts';
export { byPosition, inletText, pullList, type PullRow } from './pullList';
