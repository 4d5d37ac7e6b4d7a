/** What of PFFFT's module is used; the package brings no types. Pointers count bytes. */
declare module '@echogarden/pffft-wasm/simd' {
  export interface Pffft {
    readonly HEAPF32: Float32Array;
    /** @param kind 0 for real samples */
    _pffft_new_setup: (length: number, kind: number) => number;
    _pffft_aligned_malloc: (bytes: number) => number;
    /** @param direction 0 for forward */
    _pffft_transform_ordered: (setup: number, input: number, output: number, work: number, direction: number) => void;
  }
  export default function load(): Promise<Pffft>;
}
