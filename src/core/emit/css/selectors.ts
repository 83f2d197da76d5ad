import type { Layer, Layout, Site } from '../../model/site.ts';
import { mayFloat } from './floats.ts';
import { classNames, type ClassNames } from '../names.ts';

/** How style sheets name the boxes of a layout: by their classes. */
export class Selectors {
	/** Something of the site may float, so what stands behind content has to begin below it. */
	readonly mayFloat: boolean;
	/** Nothing is reset on some pages, so each box has to say how its size counts. */
	readonly sizesEach: boolean;
	private readonly names: ClassNames;

	constructor(site: Site) {
		this.names = classNames(site);
		this.mayFloat = mayFloat(site);
		this.sizesEach = site.layouts.some(({ sheets }) => sheets === 'paint');
	}

	root(layout: Layout): string {
		return `.${this.names.layout(layout)}`;
	}

	/** The box around a layout whose bands look at the space it gets. */
	space(layout: Layout): string {
		return `.${this.names.space(layout)}`;
	}

	/** A region or wrapper of a layout. */
	member(layout: Layout, name: string): string {
		return `.${this.names.member(layout, name)}`;
	}

	/**
	 * A piece in a region, by the layer that brought it. Two layers may bring pieces of one name. `within`: the selector of
	 * what it stands in, a region or a group; none on a page without layouts.
	 */
	piece(within: string, owner: Layer, region: string | undefined, piece: string): string {
		const own = `.${this.names.piece(owner, region, piece)}`;
		return within === '' ? own : `${within} > ${own}`;
	}

	opener(layout: Layout, region: string): string {
		return `.${this.names.opener(layout, region)}`;
	}
}

/** The cascade layer of a layout. */
export function cascadeName(layout: Layout): string {
	return `layout-${layout.name.text}`;
}
