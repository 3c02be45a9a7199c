/** The part of jstat that is used; the package comes without types. */
declare module 'jstat' {
  const jstat: { readonly studentt: { readonly inv: (share: number, freedom: number) => number } };
  export default jstat;
}
