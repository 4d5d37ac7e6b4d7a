export { readDocument } from '@/core/rig';
