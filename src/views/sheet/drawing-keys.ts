/** A drawing that has the focus: the page, and the width of the screen (px). */
interface Drawn {
	readonly page: string;
	readonly width: number;
}

/** Keys on the drawings of the sheet: arrows go from one to the next, also from line to line; H holds one. */
export function onDrawingKey(
	event: KeyboardEvent,
	sheet: HTMLElement,
	hold: (page: string, width: number) => void
): void {
	const link = event.target instanceof Element ? event.target.closest('.drawing-link') : null;
	if (!(link instanceof HTMLElement)) return;
	if (event.key.toLowerCase() === 'h') {
		const { page, width } = drawnBy(link);
		hold(page, width);
		event.preventDefault();
		return;
	}
	const next = nextFrom(link, [...sheet.querySelectorAll<HTMLElement>('.drawing-link')], event.key);
	if (!next) return;
	next.focus();
	event.preventDefault();
}

function drawnBy(link: HTMLElement): Drawn {
	const said = link.dataset['drawing'] ?? '';
	const at = said.lastIndexOf(' ');
	return { page: said.slice(0, at), width: Number(said.slice(at + 1)) };
}

function nextFrom(
	link: HTMLElement,
	links: readonly HTMLElement[],
	key: string
): HTMLElement | undefined {
	switch (key) {
		case 'ArrowRight':
			return links[links.indexOf(link) + 1];
		case 'ArrowLeft':
			return links[links.indexOf(link) - 1];
		case 'ArrowDown':
		case 'ArrowUp':
			return nextLine(link, links, key === 'ArrowDown');
		default:
			return undefined;
	}
}

/** The drawing in the line below or above that is nearest to where one is. */
function nextLine(
	from: HTMLElement,
	links: readonly HTMLElement[],
	below: boolean
): HTMLElement | undefined {
	const here = from.getBoundingClientRect();
	const placed = links.map((link) => ({ link, at: link.getBoundingClientRect() }));
	const beyond = placed.filter(({ at }) => (below ? at.top > here.top : at.top < here.top));
	const tops = beyond.map(({ at }) => at.top);
	const top = below ? Math.min(...tops) : Math.max(...tops);
	return beyond
		.filter(({ at }) => at.top === top)
		.sort((a, b) => Math.abs(a.at.left - here.left) - Math.abs(b.at.left - here.left))[0]?.link;
}
