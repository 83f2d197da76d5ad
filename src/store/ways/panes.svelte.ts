import { innerHeight, innerWidth } from 'svelte/reactivity/window';
import * as z from 'zod/mini';

/** What stands around the stage, and the text below the inspector. */
export const paneNames = ['roofline', 'side', 'section', 'text'] as const;
export type PaneName = (typeof paneNames)[number];

const keptSchema = z.partialRecord(
	z.enum(paneNames),
	z.object({ size: z.optional(z.number()), folded: z.optional(z.boolean()) })
);

const key = 'long-eave panes';
/** px; what is left of a pane that is folded. */
const foldedSize = 26;

interface Bounds {
	readonly first: number;
	readonly least: number;
	readonly most: number;
}

function clamp(value: number, least: number, most: number): number {
	return Math.round(Math.min(most, Math.max(least, value)));
}

/** Sizes of a pane for a window, px: the stage comes first. */
function boundsOf(name: PaneName, width: number, height: number): Bounds {
	switch (name) {
		case 'roofline':
			return { first: clamp(width * 0.152, 156, 300), least: 120, most: width * 0.4 };
		case 'side':
			return { first: clamp(width * 0.2, 208, 340), least: 180, most: width * 0.5 };
		case 'section':
			return { first: 216, least: 96, most: height * 0.6 };
		case 'text':
			return { first: clamp(height * 0.42, 200, 460), least: 120, most: height * 0.7 };
	}
}

function readKept(): z.infer<typeof keptSchema> {
	try {
		return keptSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? '{}')).data ?? {};
	} catch {
		return {};
	}
}

/** How large the panes of Plan are, and which are folded. Remembered in this browser. */
class Panes {
	private kept = $state.raw<z.infer<typeof keptSchema>>(readKept());

	/** px; what the visitor chose, as far as the window has room for it. */
	sizeOf(name: PaneName): number {
		if (this.isFolded(name)) return foldedSize;
		const { first, least, most } = this.boundsOf(name);
		return clamp(this.kept[name]?.size ?? first, least, most);
	}

	boundsOf(name: PaneName): Bounds {
		return boundsOf(name, innerWidth.current ?? 1280, innerHeight.current ?? 800);
	}

	/** The text stays folded until it is wanted. */
	isFolded(name: PaneName): boolean {
		return this.kept[name]?.folded ?? name === 'text';
	}

	resize(name: PaneName, size: number): void {
		const { least, most } = this.boundsOf(name);
		this.put(name, { size: clamp(size, least, most), folded: false });
	}

	fold(name: PaneName, folded: boolean): void {
		this.put(name, { ...this.kept[name], folded });
	}

	/** As they are at first. */
	reset(name: PaneName): void {
		this.put(name, { folded: false });
	}

	private put(name: PaneName, pane: { size?: number; folded?: boolean }): void {
		this.kept = { ...this.kept, [name]: pane };
		try {
			localStorage.setItem(key, JSON.stringify(this.kept));
		} catch {
			// A browser that keeps nothing starts anew the next time.
		}
	}
}

export const panes = new Panes();
