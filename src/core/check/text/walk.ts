import { error, warning, type Problem } from '../../messages/problem.ts';
import { listWords } from '../../messages/wording.ts';
import type { Site } from '../../model/site.ts';
import type { Expression, Template, UseTag, ValuePath } from '../../model/template.ts';
import { nestBlocks, type Body, type Node } from '../../resolve/markup/blocks.ts';
import { partBook, type PartBook } from '../../resolve/content/parts.ts';
import { formattable, kindOfValue, mostRepeats, textOf } from '../../resolve/content/values.ts';
import { withMembers, type Found, type Known } from './known.ts';

/** Goes through a text with what is known at each of its places, and finds what leads nowhere. */
export class TextWalk {
	readonly problems: Problem[] = [];
	private readonly book: PartBook;
	/** Paths that a condition around has asked for: they may be missing. */
	private readonly asked = new Set<string>();
	private repeats = 0;

	constructor(private readonly site: Site) {
		this.book = partBook(site.parts);
	}

	template(template: Template, known: Known): void {
		this.repeats = 0;
		this.body(nestBlocks(template, this.book).nodes, known, 1);
		if (this.repeats > mostRepeats) {
			this.problems.push(error('text-too-long', template.span, this.repeats, mostRepeats));
		}
	}

	/** `times`: how often it is written at most. */
	private body(body: Body, known: Known, times: number): void {
		for (const node of body) if (typeof node !== 'string') this.node(node, known, times);
	}

	private node(node: Exclude<Node, string>, known: Known, times: number): void {
		switch (node.kind) {
			case 'value':
				this.value(node, known);
				return;
			case 'for': {
				const lists = this.list(node.tag.list, known);
				const longest = lists === 'anything' ? 1 : Math.max(0, ...lists.map(lengthOf));
				this.repeats += times * longest;
				const path = node.tag.list.path.join('.');
				const inside = withMembers(known, node.tag.name.text, lists, path);
				this.body(node.each, inside, times * longest);
				this.body(node.otherwise, known, times);
				return;
			}
			case 'if':
				this.condition(node, known, times);
				return;
			case 'use':
				this.repeats += times * this.weightOf(node.tag.part.text);
				this.use(node.tag, known);
				if (node.content) this.body(node.content, known, times);
				return;
			case 'content':
				return;
		}
	}

	private value(expression: Expression, known: Known): void {
		const { path, span, format, otherwise } = expression;
		const found = this.found(expression, known);
		if (found === 'anything') return;
		const shown = path.join('.');
		const mayMiss = otherwise !== undefined || this.asked.has(shown);
		for (const { value, where, isGiven } of found) {
			if (value === undefined || value === null) {
				if (mayMiss) continue;
				if (isGiven) return this.notGiven(expression, 'has nothing at its place');
				if (where === '') this.unknown(expression, known);
				else this.problems.push(error('expression-no-value', span, shown, where));
				return;
			}
			if (isGiven && format && formattable(value, format) === undefined) {
				return this.notGiven(expression, `is no ${format}`);
			}
			if (isGiven && !format && textOf(value) === undefined) {
				return this.notGiven(expression, `is ${kindOfValue(value)}`);
			}
			if (format && formattable(value, format) === undefined) {
				const text = textOf(value) ?? kindOfValue(value);
				this.problems.push(error('format-value', span, shown, text, format));
				return;
			}
			if (!format && textOf(value) === undefined) {
				this.problems.push(error('expression-no-text', span, shown, kindOfValue(value)));
				return;
			}
		}
	}

	private list(list: ValuePath, known: Known): readonly Found[] | 'anything' {
		const found = this.found(list, known);
		if (found === 'anything') return found;
		const there = found.filter(({ value }) => value !== undefined && value !== null);
		const isGiven = found.some((one) => one.isGiven);
		if (isGiven && there.some(({ value }) => !Array.isArray(value))) {
			this.notGiven(list, 'is no list');
			return [];
		}
		if (there.length === 0 && isGiven) this.notGiven(list, 'has nothing at its place');
		else if (there.length === 0 && found.length > 0) this.unknown(list, known);
		const wrong = there.find(({ value }) => !Array.isArray(value));
		if (wrong) {
			const is = kindOfValue(wrong.value);
			this.problems.push(error('loop-not-list', list.span, list.path.join('.'), is));
		}
		return there;
	}

	private condition(
		{ tag, then, otherwise }: Extract<Node, { kind: 'if' }>,
		known: Known,
		times: number
	): void {
		for (const { value, against } of tag.tests) {
			const found = this.found(value, known);
			const never =
				against?.how !== 'is not' &&
				found !== 'anything' &&
				found.length > 0 &&
				found.every((one) => one.value === undefined || one.value === null);
			if (never) this.problems.push(warning('condition-never', tag.span, value.path.join('.')));
		}
		// What is said to be another may be nothing at all.
		const sure = tag.tests.filter(({ against }) => against?.how !== 'is not');
		const isNew = sure
			.map(({ value }) => value.path.join('.'))
			.filter((path) => !this.asked.has(path));
		for (const path of isNew) this.asked.add(path);
		this.body(then, known, times);
		for (const path of isNew) this.asked.delete(path);
		this.body(otherwise, known, times);
	}

	private use({ part: name, given, span }: UseTag, known: Known): void {
		for (const { value } of given) {
			if (value.kind === 'path') this.found(value.value, known);
			else this.body(nestBlocks(value.template, this.book).nodes, known, 1);
		}
		const part = this.book.get(name.text);
		if (!part) {
			const names = listWords(this.book.names);
			this.problems.push(error('part-unknown', name.span, name.text, names));
			return;
		}
		const parameters = part.parameters.map((one) => one.name.text);
		for (const { name: key } of given) {
			if (parameters.includes(key.text)) continue;
			const has = listWords(parameters);
			this.problems.push(error('parameter-unknown', key.span, key.text, name.text, has));
		}
		for (const parameter of part.parameters) {
			const said = given.find((one) => one.name.text === parameter.name.text);
			const values = parameter.values.map(({ text }) => text);
			if (!said) {
				if (values.length > 0) continue;
				this.problems.push(error('parameter-missing', span, parameter.name.text, name.text));
			} else if (values.length > 1) {
				for (const value of textsOf(said.value, (path) => known.at(path))) {
					if (values.includes(value)) continue;
					const details = [value, parameter.name.text, name.text, listWords(values, 'or')] as const;
					this.problems.push(error('parameter-value', said.name.span, ...details));
					break;
				}
			}
		}
	}

	/** What a path can be here; anything, with a problem, where it leads nowhere. */
	private found(at: ValuePath, known: Known): readonly Found[] | 'anything' {
		const found = known.at(at.path);
		if (found === undefined) this.unknown(at, known);
		return found ?? 'anything';
	}

	/** What comes from elsewhere may be another thing tomorrow: pages go on without it. */
	private notGiven({ path, span }: ValuePath, is: string): void {
		this.problems.push(warning('value-not-given', span, path.join('.'), is));
	}

	private unknown({ path, span }: ValuePath, known: Known): void {
		const names = listWords(known.names.map((one) => `{${one}}`));
		this.problems.push(error('expression-unknown', span, path.join('.'), names));
	}

	/** How many parts stand in one, itself among them. */
	private weightOf(name: string, seen: readonly string[] = []): number {
		const part = this.book.get(name);
		if (!part || seen.includes(name)) return 1;
		let weight = 1;
		for (const one of part.markup.parts) {
			if (typeof one === 'string' || one.kind !== 'use' || weight > mostRepeats) continue;
			weight += this.weightOf(one.part.text, [...seen, name]);
		}
		return weight;
	}
}

function lengthOf({ value }: Found): number {
	return Array.isArray(value) ? value.length : 0;
}

/** The texts that a parameter is given, as far as they can be known. */
function textsOf(
	value: UseTag['given'][number]['value'],
	at: (path: readonly string[]) => readonly Found[] | 'anything' | undefined
): string[] {
	if (value.kind === 'text') {
		const { parts } = value.template;
		const [only = ''] = parts;
		if (parts.length === 0) return [''];
		if (parts.length === 1 && typeof only === 'string') return [only];
		if (parts.length > 1 || typeof only === 'string' || only.kind !== 'value') return [];
		return textsOf({ kind: 'path', value: only }, at);
	}
	const found = at(value.value.path);
	if (found === undefined || found === 'anything') return [];
	return found.flatMap((one) => textOf(one.value) ?? []);
}
