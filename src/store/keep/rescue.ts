import type { z } from 'zod/mini';

/** What of a record can be read, where it is not as it should be. */

export interface Rescued<T> {
	readonly value: T | undefined;
	/** All of it could be read, or there is none. */
	readonly whole: boolean;
}

/** A record as it should be, or what of it can be read. */
export async function rescue<T>(
	record: Promise<unknown>,
	schema: z.ZodMiniType<T>,
	readable: (value: unknown) => T | undefined
): Promise<Rescued<T>> {
	const value: unknown = await record.catch(() => undefined);
	const parsed = schema.safeParse(value);
	if (parsed.success) return { value: parsed.data, whole: true };
	return { value: readable(value), whole: value === null || value === undefined };
}

/** The entries of a map by paths that can be read; undefined where there are none. */
export function readableEntries<T>(
	value: unknown,
	schema: z.ZodMiniType<T>
): Map<string, T> | undefined {
	if (!(value instanceof Map)) return undefined;
	const found = new Map<string, T>();
	for (const [path, content] of value) {
		const parsed = schema.safeParse(content);
		if (typeof path === 'string' && parsed.success) found.set(path, parsed.data);
	}
	return found.size > 0 ? found : undefined;
}
