// What every JavaScript runtime has (WHATWG Encoding), without drawing in the whole of the DOM or Node.
declare class TextDecoder {
  constructor(label?: string, options?: { fatal?: boolean; ignoreBOM?: boolean });
  decode(input?: ArrayBufferView | ArrayBuffer): string;
}
