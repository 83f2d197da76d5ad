import * as z from 'zod';

/**
 * Tokens as JSON (Design Tokens Format Module 2025.10, a report of the W3C's Design Tokens Community Group): groups in
 * each other, and in them tokens with `$value` and `$type`. What it has no words for stands in `$extensions` under our
 * name, as the format wants it: other values by bands and by night, and values that only CSS has.
 */

/** The name under which extensions stand. */
export const extension = 'long-eave';

/** One value; `css` where only CSS has one of that kind. */
export type TokenValue = JsonValue | { readonly css: string };

export type JsonValue =
	string | number | boolean | null | readonly JsonValue[] | { readonly [name: string]: JsonValue };

export interface JsonGroup {
	[name: string]: JsonValue;
}

/** What our extension of a token says. */
export const extensionSchema = z.object({
	bands: z.record(z.string(), z.unknown()).optional(),
	night: z.unknown().optional(),
	/** Of a whole file: tokens that only CSS can say, by their custom properties. */
	css: z
		.record(
			z.string(),
			z.object({
				value: z.string(),
				bands: z.record(z.string(), z.string()).optional(),
				night: z.string().optional()
			})
		)
		.optional()
});

/** A token as the site has it: its values as CSS. */
export interface SiteToken {
	/** A custom property: `--leaf-pale`. */
	readonly name: string;
	readonly value: string;
	/** Other values from a band on. */
	readonly bands: Readonly<Record<string, string>>;
	readonly night: string | undefined;
}

/** The custom property of a token in groups. */
export function propertyOf(path: readonly string[]): string {
	const words = path.map((name) => name.trim().replaceAll(/[^A-Za-z0-9_-]+/g, '-'));
	return `--${words.join('-').replaceAll(/-{2,}/g, '-').replaceAll(/^-|-$/g, '')}`;
}

/** Whether a member of a group is a token, and no group. */
export function isToken(
	value: unknown
): value is Record<string, unknown> & { readonly $value: unknown } {
	return isObject(value) && Object.hasOwn(value, '$value');
}

export function isObject(value: unknown): value is Record<string, unknown> {
	return typeof value === 'object' && value !== null && !Array.isArray(value);
}
