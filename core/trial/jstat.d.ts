declare module 'jstat' {
  export const jStat: { readonly studentt: { inv(p: number, degreesOfFreedom: number): number } };
}
