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

export function isSameBytes(one: Uint8Array, other: Uint8Array): boolean {
	if (one === other) return true;
	return one.length === other.length && one.every((byte, at) => byte === other[at]);
}
