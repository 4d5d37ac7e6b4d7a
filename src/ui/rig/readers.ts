/** What refuses documents and items that no file may hold; it brings the validator. */
export { readItem } from '@/core/kit';
export { readDocument } from '@/core/rig';
