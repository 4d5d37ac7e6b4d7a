/** Numbers that come one after the other, kept in a typed array that doubles when it is full. */
export interface Growing<A> {
  push: (value: number) => void;
  count: () => number;
  /** All of them so far; not a copy. */
  values: () => A;
}

export const growingBytes = () => growing((length) => new Uint8Array(length));
export const growingFloats = () => growing((length) => new Float32Array(length));

function growing<A extends Uint8Array | Float32Array>(make: (length: number) => A): Growing<A> {
  let held = make(1024);
  let count = 0;
  return {
    push(value) {
      if (count === held.length) {
        const longer = make(2 * held.length);
        longer.set(held);
        held = longer;
      }
      held[count++] = value;
    },
    count: () => count,
    values: () => held.subarray(0, count) as A,
  };
}
