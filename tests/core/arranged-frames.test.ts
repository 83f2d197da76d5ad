import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { hasFrame } from '../../src/core/arranging/frame/framed-layout.ts';
import { nothingRead, withMore } from '../../src/core/arranging/frame/reading.ts';
import { proposeArrangement } from '../../src/core/arranging/propose-arrangement.ts';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { prepare } from '../../src/core/edit/propose.ts';
import { placedOf } from '../lib/boxes.ts';
import { drawnFrame, fits, markupOf, namesIn, readingOf, rectsAt, slotOf, type DrawnFrame } from '../lib/drawn-frame.ts'; // prettier-ignore
import { framedSite } from '../lib/framed-manners.ts';
import { runs } from '../lib/runs.ts';
import { resolve } from '../lib/site.ts';

/** Frames whose boxes are known by arithmetic become boxes of ours, which lie where those did at every width. */

/** Arranges a frame, reading it at the widths that are asked for. */
function arrange(frame: DrawnFrame): { readonly after: CheckedSite; readonly lines: string } {
	const site = resolve(framedSite({ frame: markupOf(frame) }));
	const [layout] = site.site.layouts;
	assert.ok(hasFrame(layout));
	let reading = nothingRead;
	const wish = { only: undefined, opened: new Set<number>() };
	for (let asked = 0; asked < 30; asked++) {
		const found = proposeArrangement(layout, site, reading, wish);
		if (found.kind === 'read') {
			const known = new Set(reading.at.map(({ width }) => width));
			assert.ok(
				found.widths.every((width) => !known.has(width)),
				'it asks for what it knows'
			);
			reading = withMore(reading, readingOf(frame, found.widths));
			continue;
		}
		const { proposal, after } = prepare(site, found.command);
		assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
		assert.ok(after && isSound(after), found.command.lines.join('\n'));
		return { after, lines: found.command.lines.join('\n') };
	}
	assert.fail('It never has read enough.');
}

/** Where boxes of ours are, by the name of the region or wrapper. */
function placesAt(site: CheckedSite, width: number): Map<string, readonly number[]> {
	return new Map(
		placedOf(site, width, 400).flatMap(({ name, x, y, width: wide, height }) => {
			const word = name.pieces.length > 0 ? undefined : (name.region ?? name.wrapper);
			return word === undefined ? [] : [[word, [x, y, wide, height]] as const];
		})
	);
}

const widths = [320, 333, 480, 599, 600, 721, 959, 960, 1111, 1280, 1777, 1920];

test('what is below each other or in columns lies where it lay, at every width (property)', () => {
	fc.assert(
		fc.property(drawnFrame, (frame) => {
			// Where there is more than there is room for, what lies out of it is another matter.
			fc.pre(widths.every((width) => fits(frame, width)));
			const { after, lines } = arrange(frame);
			const slot = slotOf(frame);
			for (const width of widths) {
				const places = placesAt(after, width);
				const rects = rectsAt(frame, width);
				for (const [box, name] of namesIn(frame)) {
					const rect = rects.get(box);
					const place = places.get(name === slot ? 'slot' : name);
					assert.ok(rect && place, `${name} is no box any more\n${lines}`);
					// How tall a box is around others is not seen of one without a ground.
					const wanted = [
						rect.x,
						rect.y,
						rect.width,
						...(box.kind === 'leaf' ? [rect.height] : [])
					];
					const off = Math.max(...wanted.map((one, at) => Math.abs(one - (place[at] ?? 0))));
					assert.ok(off <= 1.5, `${name} at ${width} px is ${place}, not ${wanted}\n${markupOf(frame)}\n${lines}`); // prettier-ignore
				}
			}
		}),
		runs(60, 31)
	);
});
