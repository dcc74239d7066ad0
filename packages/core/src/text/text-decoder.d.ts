/** Pure, and the same in every browser and in Node; named here because core compiles without the libraries of either. */
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean });
  decode(bytes: Uint8Array): string;
}
