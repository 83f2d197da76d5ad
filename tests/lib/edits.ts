import assert from 'node:assert/strict';
import { checkSite } from '../../src/core/check/site.ts';
import { isSound, type CheckedSite } from '../../src/core/check/checked-site.ts';
import { readSiteFiles } from '../../src/core/source/read.ts';
import type { Proposal } from '../../src/core/edit/proposal.ts';
import { propose } from '../../src/core/edit/propose.ts';
import type { Command } from '../../src/core/model/command.ts';
import { applyChanges } from '../../src/core/source/change.ts';

/** The edit that a command comes to; a refusal fails the test with its sentence. */
export function edit(resolved: CheckedSite, command: Command): Extract<Proposal, { kind: 'edit' }> {
	const proposal = propose(resolved, command);
	assert.equal(proposal.kind, 'edit', proposal.kind === 'refused' ? proposal.sentence : '');
	assert.ok(proposal.kind === 'edit');
	return proposal;
}

/** Makes an edit; sees that the site is sound, and that undoing gives the text back. */
export function makeOn(
	from: string,
	command: Command
): { resolved: CheckedSite; text: string; said: string } {
	const before = withoutErrors(from);
	const { changes, consequences } = edit(before, command);
	const { texts, inverse } = applyChanges(before.reading.files, changes);
	assert.equal(applyChanges({ texts, assets: new Map() }, inverse).texts.get('site.eave'), from);
	const after = texts.get('site.eave') ?? '';
	return { resolved: withoutErrors(after), text: after, said: consequences.join(' ') };
}

/** The lines that two texts do not share, as a reader of a change would see them. */
export function difference(before: string, after: string): { gone: string[]; come: string[] } {
	const [old, next] = [before.split('\n'), after.split('\n')];
	let start = 0;
	while (start < old.length && old[start] === next[start]) start++;
	let end = 0;
	while (
		end < old.length - start &&
		end < next.length - start &&
		old.at(-1 - end) === next.at(-1 - end)
	)
		end++;
	return { gone: old.slice(start, old.length - end), come: next.slice(start, next.length - end) };
}

/** The sentence with which a command is refused. */
export function refusal(from: string, command: Command): string {
	const proposal = propose(withoutErrors(from), command);
	assert.ok(proposal.kind === 'refused', `${JSON.stringify(command)} was not refused`);
	return proposal.sentence;
}

/** A site in one file that has no errors; there may be warnings. */
function withoutErrors(source: string): CheckedSite {
	const texts = new Map([['site.eave', source]]);
	const resolved = checkSite(readSiteFiles({ texts, assets: new Map() }));
	assert.ok(isSound(resolved), JSON.stringify(resolved.problems));
	return resolved;
}
