/** Stands in the browser for what Node alone has: packages that run in both ask for it there alone. */
export {};
