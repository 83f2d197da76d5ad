import { fromJSONSchema, type ZodType } from 'zod';
import { reasonOf } from '../messages/wording.ts';

/** The shape of JSON, as JSON Schema (draft 2020-12) says it; what of it is used here. */
export interface Shape {
	readonly type?: string | readonly string[];
	readonly properties?: Readonly<Record<string, Shape>>;
	readonly required?: readonly string[];
	readonly items?: Shape;
}

/** JSON that is this deep inside itself has no shape that anyone would read. */
const deepest = 40;

/** The shape that some JSON has. Members of a list have one shape together: what not all have is not required. */
export function inferShape(value: unknown, depth = 0): Shape {
	if (depth > deepest) return {};
	if (Array.isArray(value)) {
		const members: readonly unknown[] = value;
		const [first, ...rest] = members.map((member) => inferShape(member, depth + 1));
		return first ? { type: 'array', items: rest.reduce(joinShapes, first) } : { type: 'array' };
	}
	if (typeof value === 'object' && value !== null) {
		const entries = Object.entries(value);
		return {
			type: 'object',
			properties: Object.fromEntries(
				entries.map(([name, inner]): [string, Shape] => [name, inferShape(inner, depth + 1)])
			),
			required: entries.map(([name]) => name)
		};
	}
	if (value === null) return { type: 'null' };
	return { type: Number.isSafeInteger(value) ? 'integer' : typeof value };
}

/** One shape that both values keep to. */
function joinShapes(one: Shape, other: Shape): Shape {
	const types = new Set([...typesOf(one), ...typesOf(other)]);
	// Each integer is a number: JSON Schema, section 6.1.1 of the validation vocabulary.
	if (types.has('number')) types.delete('integer');
	const names = new Set([
		...Object.keys(one.properties ?? {}),
		...Object.keys(other.properties ?? {})
	]);
	const properties = [...names].map((name): [string, Shape] => {
		const [a, b] = [propertyOf(one, name), propertyOf(other, name)];
		return [name, a && b ? joinShapes(a, b) : (a ?? b ?? {})];
	});
	const isObject = types.has('object');
	const items =
		one.items && other.items ? joinShapes(one.items, other.items) : (one.items ?? other.items);
	const [only] = types;
	return {
		...(only !== undefined && { type: types.size === 1 ? only : [...types].sort() }),
		...(isObject && {
			properties: Object.fromEntries(properties),
			required: requiredOf(one).filter((name) => requiredOf(other).includes(name))
		}),
		...(items && { items })
	};
}

/** What objects have from elsewhere, such as `valueOf`, is none of theirs. */
function propertyOf({ properties = {} }: Shape, name: string): Shape | undefined {
	return Object.hasOwn(properties, name) ? properties[name] : undefined;
}

function typesOf({ type }: Shape): readonly string[] {
	return type === undefined ? [] : typeof type === 'string' ? [type] : type;
}

/** What a shape that is no object requires does not narrow another. */
function requiredOf({ required = [] }: Shape): readonly string[] {
	return required;
}

/** A shape as a file of the site: one that a tool of JSON Schema understands. */
export function shapeText(shape: Shape): string {
	const schema = { $schema: 'https://json-schema.org/draft/2020-12/schema', ...shape };
	return JSON.stringify(schema, undefined, '\t') + '\n';
}

/** Why a value does not keep to a shape: where in it, and what is wrong there. */
export interface Mismatch {
	readonly path: readonly (string | number)[];
	readonly why: string;
}

/** A JSON Schema ready to be held against values, or why it is none. */
export type ReadShape =
	| { readonly kind: 'shape'; find(value: unknown): readonly Mismatch[] }
	| { readonly kind: 'unusable'; readonly why: string };

/** Reads a JSON Schema. Never throws, whatever it holds. */
export function readShape(schema: unknown): ReadShape {
	if (typeof schema !== 'object' || schema === null || Array.isArray(schema)) {
		return { kind: 'unusable', why: 'it is no group of values' };
	}
	let reader: ZodType;
	try {
		reader = fromJSONSchema({ ...schema });
	} catch (failure) {
		return { kind: 'unusable', why: reasonOf(failure) };
	}
	return {
		kind: 'shape',
		find(value) {
			try {
				const result = reader.safeParse(withoutInherited(value));
				if (result.success) return [];
				return result.error.issues.map(({ path, message }) => ({
					path: path.map((one) => (typeof one === 'number' ? one : String(one))),
					why: lowerFirst(message.replace(/^Invalid input: /, ''))
				}));
			} catch (failure) {
				return [{ path: [], why: reasonOf(failure) }];
			}
		}
	};
}

/** The same JSON in objects that inherit nothing: to a reader, `valueOf` would be there else where it is not. */
function withoutInherited(value: unknown): unknown {
	if (Array.isArray(value)) return value.map(withoutInherited);
	if (typeof value !== 'object' || value === null) return value;
	// eslint-disable-next-line no-restricted-syntax -- it is one that has nothing but what is put in.
	const bare: Record<string, unknown> = Object.create(null);
	for (const [name, inner] of Object.entries(value)) bare[name] = withoutInherited(inner);
	return bare;
}

function lowerFirst(text: string): string {
	return text.charAt(0).toLowerCase() + text.slice(1);
}
