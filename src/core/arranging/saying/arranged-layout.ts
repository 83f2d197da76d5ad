import type { Band } from '../../model/site.ts';
import { freeName } from '../../model/name.ts';
import { allSettings } from '../../settings/list.ts';
import { writtenText } from '../frame/frame-html.ts';
import type { SaidBox, SaidBoxes, SaidFrom } from './said-boxes.ts';
import type { Unit } from '../boxes/units.ts';

/** What is written in the place of a frame of own markup. */
export interface ArrangedLayout {
	/** Lines of the layout's block. */
	readonly lines: readonly string[];
	/** Bands that the site needs beside those that it has. */
	readonly bands: readonly { readonly name: string; readonly from: number }[];
}

/** The value that takes a setting back, where a wider band says nothing of what a narrower one says. */
const nothing: ReadonlyMap<string, string> = new Map([
	['arrange', 'stack'],
	['width', 'auto'],
	['height', 'auto'],
	['min', 'auto'],
	['margin', '0'],
	['pad', '0'],
	['border', '0'],
	['contain', 'none'],
	['show', 'in-place'],
	['size', 'hug'],
	['stick', 'none'],
	['place-self', 'stretch stretch']
]);

/** The text of a layout of boxes, with the bands that it speaks of. `rules`: what a style says of what is in them. */
export function arrangedLayout(
	units: readonly Unit[],
	said: SaidBoxes,
	rules: readonly string[],
	bands: readonly Band[]
): ArrangedLayout {
	const all = [said.root, ...said.units.values()].flatMap(({ settings, arrange }) => [
		settings,
		arrange
	]);
	const changes = changesIn(all).filter((from) => from > 0);
	const known = new Map(bands.map(({ from, name }) => [from, name.text]));
	const taken = new Set(known.values());
	const needed = changes.flatMap((from) => {
		if (known.has(from)) return [];
		const name = freeName(`from-${from}`, taken);
		taken.add(name);
		known.set(from, name);
		return [{ name, from }];
	});
	const writing = new Writing(said, known);
	return {
		lines: ['sheets paint', ...writing.box(said.root), ...writing.units(units), ...styleOf(rules)],
		bands: needed
	};
}

/** Widths from which on something else is said of some box. */
function changesIn(all: readonly (readonly SaidFrom[])[]): number[] {
	const found = new Set<number>();
	for (const one of all) {
		for (const [at, { from, ...now }] of one.entries()) {
			const { from: _, ...before } = one[at - 1] ?? { from: 0, says: {} };
			if (at > 0 && JSON.stringify(now) !== JSON.stringify(before)) found.add(from);
		}
	}
	return [...found].sort((a, b) => a - b);
}

class Writing {
	constructor(
		private readonly said: SaidBoxes,
		private readonly bands: ReadonlyMap<number, string>
	) {}

	/** Statements of one box: its settings and how it arranges, each for the bands in which it is another. */
	box({ arrange, settings }: SaidBox): string[] {
		const words = ['arrange', ...allSettings.map(({ kind }) => kind)];
		return words.flatMap((word) => {
			let before = nothing.get(word);
			return (word === 'arrange' ? arrange : settings).flatMap(({ from, says }): string[] => {
				const now = says[word] ?? nothing.get(word);
				if (now === undefined || now === before) return [];
				before = now;
				const band = from === 0 ? undefined : this.bands.get(from);
				return statement(word, now, band).split('\n');
			});
		});
	}

	units(units: readonly Unit[]): string[] {
		return units.flatMap((unit) => {
			const inner = [
				...this.attributes(unit),
				...this.box(this.said.units.get(unit) ?? { settings: [], arrange: [] }),
				...(unit.kind === 'wrapper' ? this.units(unit.units) : this.content(unit))
			];
			const flags = unit.kind === 'region' ? this.flags(unit) : [];
			const isDiv = unit.element === 'div' && unit.kind === 'wrapper';
			const head = `${unit.kind} ${unit.name}${isDiv ? '' : ` as ${unit.element}`}`;
			const lines = [...flags, ...inner];
			if (lines.length === 0) return [`${head} { }`];
			return [`${head} {`, ...lines.map((line) => (line === '' ? '' : `  ${line}`)), '}'];
		});
	}

	private attributes({ attributes }: Unit): string[] {
		return attributes === '' ? [] : [`attributes """ ${attributes} """`];
	}

	/** Who may fill it; markup that was the frame's own stays so. */
	private flags({ region }: Extract<Unit, { kind: 'region' }>): string[] {
		if (!region) return ['locked'];
		return [
			...(region.slot ? ['slot'] : []),
			...(region.locked ? ['locked'] : []),
			...(region.required ? ['required'] : [])
		];
	}

	private content({ region, markup, name }: Extract<Unit, { kind: 'region' }>): string[] {
		const texts = region
			? region.pieces.map((piece) => (piece.kind === 'markup' ? writtenText(piece.markup) : ''))
			: [markup ?? ''];
		return texts.flatMap((text) => {
			const lines = tidied(text);
			if (lines.length === 0) return [];
			return [`piece ${name} """`, ...lines.map((line) => (line === '' ? '' : `  ${line}`)), '"""'];
		});
	}
}

function styleOf(rules: readonly string[]): string[] {
	return rules.length === 0 ? [] : ['style global """', ...rules.map((line) => `  ${line}`), '"""'];
}

/** `arrange areas { … }` has its band before the brace. */
function statement(word: string, value: string, band: string | undefined): string {
	if (band === undefined) return `${word} ${value}`;
	const brace = value.indexOf('{');
	if (brace === -1) return `${word} ${value} @${band}`;
	return `${word} ${value.slice(0, brace).trimEnd()} @${band} ${value.slice(brace)}`;
}

/** Lines without the indentation that they share, and without empty ones around. */
function tidied(text: string): string[] {
	const lines = text.replace(/^\s*\n|\s+$/g, '').split('\n');
	const [first, ...others] = lines;
	if (first === undefined || text.trim() === '') return [];
	const depths = lines
		.filter((line) => line.trim() !== '')
		.map((line) => /^[ \t]*/.exec(line)?.[0].length ?? 0);
	const isInline = !/^\s/.test(first) && others.length > 0;
	const shared = Math.min(...(isInline ? depths.slice(1) : depths));
	return lines.map((line, at) =>
		at === 0 && isInline ? line : line.slice(Math.min(shared, line.length))
	);
}
