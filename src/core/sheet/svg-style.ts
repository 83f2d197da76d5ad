import type { Mark } from '../view-models/marks.ts';

/** The colours of the drawings, as CSS has them. */
export interface Palette {
	readonly sheet: string;
	readonly ink: string;
	readonly secondary: string;
	readonly hair: string;
	readonly rule: string;
	readonly fault: string;
	readonly accent: string;
	readonly graphite: string;
	/** Hues of layouts, from the first. */
	readonly hues: readonly string[];
	readonly sans: string;
	readonly mono: string;
}

const hex = /^#([0-9a-f]{2})([0-9a-f]{2})([0-9a-f]{2})$/i;

/** So much of one colour on another, a share: worked out for `#rrggbb`, else left to the browser (CSS Color 5, section 3). */
function mix(colour: string, share: number, ground: string): string {
	const [one, other] = [hex.exec(colour), hex.exec(ground)];
	if (!one || !other) return `color-mix(in srgb, ${colour} ${share * 100}%, ${ground})`;
	const parts = [1, 2, 3].map((at) => {
		const value =
			parseInt(one[at] ?? '0', 16) * share + parseInt(other[at] ?? '0', 16) * (1 - share);
		return Math.round(value).toString(16).padStart(2, '0');
	});
	return `#${parts.join('')}`;
}

/** Class of what has the hue of a layer. */
export function hueClass(mark: Mark | undefined): string {
	return `hue-${mark?.hue ?? 0}`;
}

/** The fill with a layer's hatch. */
export function hatchFill({ hue, hatch }: Mark): string {
	return `url(#hatch-${hue}-${hatch})`;
}

const hatches = [1, 2, 3, 4, 5] as const;

/** Light forms of the hatches that layers have in every drawing: a definition for each hue and hatch. */
export function hatchPatterns({ hues }: Pick<Palette, 'hues'>): string {
	return hues.flatMap((_, index) => hatches.map((hatch) => pattern(index + 1, hatch))).join('');
}

function pattern(hue: number, hatch: (typeof hatches)[number]): string {
	const open = (size: number): string =>
		`<pattern id="hatch-${hue}-${hatch}" class="hatch hue-${hue}" width="${size}" height="${size}" patternUnits="userSpaceOnUse">`;
	switch (hatch) {
		case 1:
			return `${open(5)}<path d="M-1 6 L6 -1 M-1 1 L1 -1 M4 6 L6 4"/></pattern>`;
		case 2:
			return `${open(5)}<path d="M0 2.5 H5"/></pattern>`;
		case 3:
			return `${open(5)}<path d="M2 2.5 h1"/></pattern>`;
		case 4:
			return `${open(6)}<path d="M0 3 H6 M3 0 V6"/></pattern>`;
		case 5:
			return `${open(5)}<path d="M2.5 0 V5"/></pattern>`;
	}
}

/** The style of the drawings, for the classes that they use; it reaches nothing but them. */
export function drawingStyle(palette: Palette): string {
	const { sheet, ink, secondary, hair, rule, fault, accent, graphite, hues } = palette;
	const inks = [graphite, ...hues];
	const byHue = inks.flatMap((hue, index) => [
		`.hue-${index}.ground{fill:${mix(hue, 0.15, sheet)};stroke:${mix(hue, 0.7, sheet)}}`,
		`.hue-${index}.own,.hue-${index}.heading,.hue-${index}.tab{fill:${hue}}`,
		`.hue-${index}.words{fill:${mix(hue, 0.6, sheet)}}`,
		`.hue-${index}.picture,.hue-${index}.control{fill:${mix(hue, 0.12, sheet)};stroke:${mix(hue, 0.6, sheet)}}`,
		`text.hue-${index}{fill:${mix(hue, 0.82, ink)};stroke:${sheet}}`
	]);
	const drawn = [
		`.page{fill:${sheet};stroke:${rule};stroke-width:1}`,
		'.ground,.picture,.control{stroke-width:.7}',
		`.open{fill:${sheet};stroke:${mix(graphite, 0.55, sheet)};stroke-width:.7}`,
		`text{font:9px ${palette.sans};stroke-width:2.4;paint-order:stroke;stroke-linejoin:round}`,
		`.fold{fill:none;stroke:${accent};stroke-width:1;stroke-dasharray:3 2}`,
		`.torn{fill:${sheet};stroke:${rule};stroke-width:.8}`,
		`.beyond{fill:${mix(fault, 0.3, sheet)};stroke:${fault};stroke-width:.8}`,
		`.before{fill:none;stroke:${fault};stroke-width:1;stroke-dasharray:2.5 1.5}`,
		`.after{fill:none;stroke:${accent};stroke-width:1.3}`,
		`.ringed{fill:none;stroke:${accent};stroke-width:2}`,
		`.painted{stroke:${mix(graphite, 0.4, sheet)};stroke-width:.5}`,
		`text.named{fill:${ink};stroke:${sheet}}`,
		'.faded{opacity:.16}',
		'.estimated{opacity:.55}',
		...byHue
	];
	const patterns = hues.map(
		(hue, index) =>
			`.hatch.hue-${index + 1}{fill:none;stroke:${mix(hue, 0.34, sheet)};stroke-width:.9}`
	);
	const file = [
		`.sheet-file .caption{font:11px ${palette.sans};fill:${secondary}}`,
		`.sheet-file .name{font:12px ${palette.mono};fill:${ink}}`,
		`.sheet-file .line{stroke:${hair}}`
	];
	return [...patterns, ...drawn.map((rule) => within('.drawing', rule)), ...file].join('\n');
}

/** A rule that holds only in something. */
function within(outer: string, rule: string): string {
	const at = rule.indexOf('{');
	const selectors = rule.slice(0, at).split(',');
	return selectors.map((selector) => `${outer} ${selector}`).join(',') + rule.slice(at);
}
