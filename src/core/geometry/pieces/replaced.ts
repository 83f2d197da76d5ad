import type { Element } from 'domhandler';

/** A picture whose size is not known, px. */
const pictureSize = 120;
/** px; what is larger is a slip. */
const largest = 4000;

/** HTML, sections 15.4 and 15.5: what has a size of its own, px. */
const sizes: ReadonlyMap<string, readonly [width: number, height: number]> = new Map(
	Object.entries<readonly [width: number, height: number]>({
		input: [153, 21],
		select: [90, 19],
		textarea: [166, 36],
		progress: [160, 16],
		meter: [80, 16],
		video: [300, 150],
		iframe: [304, 154],
		canvas: [300, 150],
		svg: [300, 150],
		img: [pictureSize, pictureSize]
	})
);

const pictures = new Set(['img', 'video', 'iframe', 'canvas', 'svg']);

/** What an element with a size of its own is to the eye. */
export function kindOf(name: string): 'picture' | 'control' {
	return pictures.has(name) ? 'picture' : 'control';
}

interface Size {
	readonly width: number;
	readonly height: number;
}

/** The size of an element that has one of its own, px; undefined for all others. */
export function replacedSize(
	{ name, attribs }: Element,
	pictureAt: (url: string) => Size | undefined
): Size | undefined {
	const known = sizes.get(name);
	if (!known) return undefined;
	const [width, height] = known;
	const said = (attribute: string): number | undefined => dimensionOf(attribs[attribute]);
	if (name === 'input' && /^(checkbox|radio)$/.test(attribs['type'] ?? '')) {
		return { width: 20, height: 19 };
	}
	if (name === 'textarea') return { width, height: (said('rows') ?? 2) * 15 + 6 };
	const own = name === 'img' ? pictureAt(attribs['src'] ?? '') : undefined;
	const [wide, high] = [said('width'), said('height')];
	if (!own) return { width: wide ?? width, height: high ?? height };
	// HTML, section 15.4.3: where one of the two is said, the other keeps to the picture.
	const ratio = own.height / own.width;
	return {
		width: wide ?? (high === undefined ? own.width : high / ratio),
		height: high ?? (wide === undefined ? own.height : wide * ratio)
	};
}

/** HTML standard, section 2.3.4.4: what follows the number does not count; px. */
function dimensionOf(value: string | undefined): number | undefined {
	const number = /^\s*\+?(\d+(?:\.\d+)?)/.exec(value ?? '')?.[1];
	return number === undefined ? undefined : Math.min(Number(number), largest);
}
