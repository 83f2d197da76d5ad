import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { boxView } from '../../src/core/view-models/chosen/box-view.ts';
import { dimensionLines } from '../../src/core/view-models/dimensions.ts';
import { propose } from '../../src/core/edit/propose.ts';
import type { SizeCommand, Command } from '../../src/core/model/command.ts';
import { applyChanges } from '../../src/core/source/change.ts';
import { sound } from '../lib/site.ts';
import { runs } from '../lib/runs.ts';

const text = `// Sizes.
site "Test" { bands { narrow 0; medium 600; wide 1000 }; tokens { --gap: 8px } }
layout f at / {
  arrange areas {              // one below the other
    "head" auto
    "main" 1fr
    "side"
  }
  arrange areas @wide {
    "head head" auto
    "main side" 1fr
    columns minmax(0, 1fr) 200px
  }
  region head as header { pad 4px; pad 8px @wide }
  region main as main {
    slot
    // kept
    arrange row { gap 4px }
  }
  region side as aside { piece note """<p>note</p>""" }
}
route / { piece body """<p>x</p>""" }
`;
const f = { layout: 'f', box: undefined };
const head = { layout: 'f', box: 'head' };
const side = { layout: 'f', box: 'side' };

/** The lines of the text that a command changes, without those that stay. */
function changed(command: SizeCommand, source = text): string[] {
	const proposal = propose(sound(source), command);
	assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	const after = proposal.kind === 'edit' ? applyAll(source, proposal.changes) : '';
	const before = new Set(source.split('\n'));
	return after.split('\n').filter((line) => !before.has(line));
}

function applyAll(source: string, changes: Parameters<typeof applyChanges>[1]): string {
	return (
		applyChanges({ texts: new Map([['site.eave', source]]), assets: new Map() }, changes).texts.get(
			'site.eave'
		) ?? ''
	);
}

function refusal(command: SizeCommand): string {
	const proposal = propose(sound(text), command);
	assert.equal(proposal.kind, 'refused');
	return proposal.kind === 'refused' ? proposal.sentence : '';
}

test('a setting is written for one band, changed in place, let hold longer, and freed', () => {
	const set = { kind: 'set-setting', box: head, setting: 'pad' } as const;
	assert.deepEqual(changed({ ...set, value: '9px', band: 'wide' }), [
		'  region head as header { pad 4px; pad 9px @wide }'
	]);
	assert.deepEqual(changed({ ...set, value: '6px', band: 'medium' }), [
		'  region head as header { pad 4px; pad 8px @wide; pad 6px @medium }'
	]);
	assert.deepEqual(changed({ ...set, value: undefined, band: 'wide' }), [
		'  region head as header { pad 4px }'
	]);
	const move = { kind: 'move-setting', box: head, setting: 'pad' } as const;
	assert.deepEqual(changed({ ...move, from: 'wide', to: 'medium' }), [
		'  region head as header { pad 4px; pad 8px @medium }'
	]);
	assert.deepEqual(changed({ ...move, from: 'wide', to: 'narrow' }), [
		'  region head as header { pad 8px }'
	]);
	assert.deepEqual(changed({ kind: 'set-setting', box: side, setting: 'show', value: 'hidden', band: 'narrow' }), [
		'  region side as aside { show hidden',
		'  piece note """<p>note</p>""" }'
	]); // prettier-ignore
	const commented = text.replace('{ pad 4px; pad 8px @wide }', '{\n    pad 4px  // snug\n  }');
	assert.deepEqual(changed({ ...set, value: '6px', band: 'medium' }, commented), [
		'    pad 6px @medium'
	]);
	assert.match(refusal({ ...set, value: '-1px', band: 'narrow' }), /below zero/);
	assert.match(refusal({ ...set, value: undefined, band: 'medium' }), /sets no pad for medium/);
});

test('a track keeps its band: where a narrower one is shown, the arrangement is copied', () => {
	const track = { kind: 'set-track', box: f } as const;
	assert.deepEqual(changed({ ...track, axis: 'columns', index: 1, size: '230px', band: 'wide' }), [
		'    columns minmax(0, 1fr) 230px'
	]);
	assert.deepEqual(changed({ ...track, axis: 'rows', index: 2, size: '60px', band: 'narrow' }), [
		'    "side" 60px'
	]);
	const copied = changed({ ...track, axis: 'rows', index: 0, size: '90px', band: 'medium' });
	assert.deepEqual(copied, ['  arrange areas @medium {', '    "head" 90px', '    "side" auto']);
	assert.match(refusal({ ...track, axis: 'columns', index: 1, size: 'wide', band: 'wide' }), /cannot be read as sizes/);
}); // prettier-ignore

test('areas, arrangements and breakpoints', () => {
	const cells = [['head', 'head'], ['main', 'side'], ['main', '.']]; // prettier-ignore
	assert.deepEqual(
		changed({ kind: 'set-areas', box: f, cells: cells.slice(0, 2).map((row) => row.toReversed()), band: 'wide' }),
		['    "side main" 1fr']
	); // prettier-ignore
	assert.match(
		refusal({ kind: 'set-areas', box: f, cells: [['main', 'head'], ['head', 'side']], band: 'wide' }), // prettier-ignore
		/not one rectangle/
	);
	assert.deepEqual(changed({ kind: 'set-breakpoint', band: 'medium', from: 720 }), [
		'site "Test" { bands { narrow 0; medium 720; wide 1000 }; tokens { --gap: 8px } }'
	]);
	assert.match(refusal({ kind: 'set-breakpoint', band: 'medium', from: 1200 }), /greater width/);
	assert.match(refusal({ kind: 'set-breakpoint', band: 'narrow', from: 10 }), /starts at 0/);
	const main = { layout: 'f', box: 'main' };
	assert.deepEqual(
		changed({ kind: 'set-arrangement', box: main, arrangement: 'stack', band: 'wide' }),
		['    arrange stack @wide { gap 4px }']
	);
});

test('a size edit changes one stretch of one file, and the rest stays to the byte', () => {
	const bands = fc.constantFrom('narrow', 'medium', 'wide');
	const commands: fc.Arbitrary<SizeCommand> = fc.oneof(
		fc.record({
			kind: fc.constant('set-setting' as const),
			box: fc.constantFrom(head, side, f),
			setting: fc.constantFrom('pad' as const, 'width' as const, 'max' as const),
			value: fc.constantFrom('10px', '50%', 'var(--gap)'),
			band: bands
		}),
		fc.record({
			kind: fc.constant('set-track' as const),
			box: fc.constant(f),
			axis: fc.constant('rows' as const),
			index: fc.nat(1),
			size: fc.constantFrom('40px', '2fr', 'minmax(10px, auto)'),
			band: bands
		})
	);
	fc.assert(
		fc.property(commands, (command) => {
			const proposal = propose(sound(text), command);
			assert.equal(proposal.kind, 'edit');
			if (proposal.kind !== 'edit') return;
			assert.ok(proposal.changes.length <= 1);
			for (const change of proposal.changes) {
				assert.ok(change.kind === 'edit');
				const after = applyAll(text, [change]);
				assert.ok(after.startsWith(text.slice(0, change.from)));
				assert.ok(after.endsWith(text.slice(change.to)));
				assert.ok(after.includes('// kept') && after.includes('// one below the other'));
			}
			const [box, band] = [command.kind === 'set-breakpoint' ? f : command.box, command.kind === 'set-breakpoint' ? '' : 'band' in command ? command.band : ''];
			const after = proposal.changes.length > 0 ? applyAll(text, proposal.changes) : text;
			const width = { narrow: 300, medium: 700, wide: 1100 }[band] ?? 300;
			const view = boxView(sound(after), box, width);
			if (command.kind === 'set-setting') {
				const row = view.strip.find((one) => one.setting === command.setting);
				assert.equal(row?.overhangs.find((one) => one.from === view.band)?.value, command.value);
			} else if (command.kind === 'set-track') {
				assert.equal(view.arrangement?.rows[command.index]?.size, command.size);
				assert.equal(view.arrangement?.here || proposal.changes.length === 0, true);
			}
		}),
		runs(50, 3)
	); // prettier-ignore
});

test('what the strip says: where each value comes from, and until where it holds', () => {
	const view = boxView(sound(text), head, 700);
	assert.equal(view.bands[view.band], 'medium');
	assert.deepEqual(
		view.strip.map(({ setting, overhangs }) => ({ setting, overhangs })),
		[
			{
				setting: 'pad',
				overhangs: [
					{ from: 0, to: 2, value: '4px' },
					{ from: 2, to: 3, value: '8px' }
				]
			}
		]
	);
	assert.deepEqual(view.parent, { ref: f, kind: 'areas' });
	const layout = boxView(sound(text), f, 700).arrangement;
	assert.deepEqual([layout?.here, layout?.band, layout?.rows.map((row) => row.size)], [false, 'narrow', ['auto', '1fr', 'auto']]); // prettier-ignore
});

test('dimension lines: beside each other, above each other, and one inside the other', () => {
	const box = (x: number, y: number, width: number, height: number) => ({ x, y, width, height });
	const beside = dimensionLines(box(0, 0, 100, 50), box(140, 0, 60, 50));
	assert.deepEqual(beside, [{ axis: 'across', from: 100, to: 140, at: 25, size: 40 }]);
	const inside = dimensionLines(box(0, 0, 200, 100), box(20, 10, 100, 80));
	assert.deepEqual(
		inside.map((line) => [line.axis, line.size]),
		[
			['across', 20],
			['across', 80],
			['down', 10],
			['down', 10]
		]
	);
});

test('an edit says in which bands it changes boxes, and none where it changes no box', () => {
	const bandsOf = (command: Command): readonly string[] => {
		const proposal = propose(sound(text), command);
		assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
		return proposal.kind === 'edit' ? proposal.bands : [];
	};
	const pad = { kind: 'set-setting', box: head, setting: 'pad' } as const;
	const cases: [string, Command, string[]][] = [
		['until the next band that says it', { ...pad, value: '9px', band: 'narrow' }, ['narrow', 'medium']],
		['here and in all wider ones', { ...pad, value: '9px', band: 'wide' }, ['wide']],
		['the same value again', { ...pad, value: '4px', band: 'medium' }, []],
		['freed: the narrower holds again', { ...pad, value: undefined, band: 'wide' }, ['wide']],
		['let hold from another band', { kind: 'move-setting', box: head, setting: 'pad', from: 'wide', to: 'medium' }, ['medium']],
		['a track, copied for its band', { kind: 'set-track', box: f, axis: 'rows', index: 0, size: '80px', band: 'medium' }, ['medium']],
		['a track where it is written', { kind: 'set-track', box: f, axis: 'rows', index: 0, size: '80px', band: 'narrow' }, ['narrow', 'medium']],
		['a setting that means nothing there', { kind: 'set-setting', box: side, setting: 'new-row', value: 'off', band: 'narrow' }, []],
		['widths of both bands at a breakpoint', { kind: 'set-breakpoint', band: 'wide', from: 900 }, ['medium', 'wide']],
		['no edit of sizes', { kind: 'set-flag', region: { layout: 'f', region: 'head' }, flag: 'locked', on: true }, []]
	]; // prettier-ignore
	for (const [what, command, expected] of cases) assert.deepEqual(bandsOf(command), expected, what);
});
