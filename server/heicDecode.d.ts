declare module 'heic-decode' {
  interface Image {
    readonly width: number;
    readonly height: number;
    decode(): Promise<{ readonly width: number; readonly height: number; readonly data: Uint8ClampedArray }>;
  }
  const decode: { all(input: { readonly buffer: Uint8Array }): Promise<readonly Image[]> };
  export default decode;
}
