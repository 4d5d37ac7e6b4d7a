/** The gear of the casebook, for tests of the kinds themselves. */
export * from '@/core/check/casebook/parts';
export { line, shared } from '@/core/check/casebook/situation';
