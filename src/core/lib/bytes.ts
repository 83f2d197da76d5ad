/** Bytes one after the other; `size` is how many they are together. */
export function joinBytes(parts: readonly Uint8Array[], size: number): Uint8Array {
	const whole = new Uint8Array(size);
	let at = 0;
	for (const part of parts) {
		whole.set(part, at);
		at += part.length;
	}
	return whole;
}
