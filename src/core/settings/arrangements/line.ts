import { alignments, justifications, type LineArrangement } from '../../model/arrange.ts';
import type { ArrangementDefinition, WrittenArrangement } from './definition.ts';

const spaced = {
	start: 'start',
	center: 'center',
	end: 'end',
	between: 'space-between',
	around: 'space-around',
	evenly: 'space-evenly'
} as const;

/** Rows and stacks: CSS Flexible Box Layout 1. */
export const line: ArrangementDefinition<LineArrangement> = {
	declare: ({ kind, wrap, justify, align }, gap) => ({
		display: 'flex',
		...(kind === 'stack' && { 'flex-direction': 'column' }),
		...(wrap && { 'flex-wrap': 'wrap' }),
		...(justify !== 'start' && { 'justify-content': spaced[justify] }),
		...(align !== 'stretch' && { 'align-items': align }),
		...(gap && { gap })
	}),
	declareAny: () => ({}),
	declareMember: () => ({}),
	isAbove: ({ kind }, one, other) => kind === 'stack' && one.index < other.index
};

const lineWords = {
	gap: { form: 'GAP [GAP]', says: 'space between' },
	justify: { form: justifications.join(' | '), says: 'where members lie along it' },
	align: { form: alignments.join(' | '), says: 'where members lie across it' }
};

export const rowWritten: WrittenArrangement = {
	form: 'row',
	says: 'members side by side',
	inner: { ...lineWords, wrap: { form: '', says: 'goes on in a further line' } }
};

/** A stack has no height of its own at which a second one would begin, so it does not wrap. */
export const stackWritten: WrittenArrangement = {
	form: 'stack',
	says: 'members one below the other',
	inner: lineWords
};
