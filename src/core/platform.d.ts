/** All that the core uses of the platform beside the language itself. Browsers and Node both have it. */
declare class TextDecoder {
	constructor(encoding: string, options: { fatal: boolean; ignoreBOM?: boolean });
	/** Throws a TypeError where `fatal` is set and the bytes are not in the encoding. */
	decode(bytes: Uint8Array): string;
}

declare class TextEncoder {
	encode(text: string): Uint8Array<ArrayBuffer>;
}
