import { EditorView } from '@codemirror/view';

/** A finding in the margin, as a roof tile, and below the text that it is about. */
function findingMarks(
	severity: 'error' | 'warning' | 'hint',
	colour: string,
	path: string,
	line: 'solid' | 'dashed' | 'dotted'
): Record<string, Record<string, string>> {
	const fill = severity === 'error' ? 'black' : 'none';
	const half = severity === 'warning' ? "<path d='M2.25 5H10.75L9.5 9H1Z'/>" : '';
	const svg = `<svg xmlns='http://www.w3.org/2000/svg' width='13' height='10'><path d='${path}' fill='${fill}' stroke='black' stroke-width='1.3'/>${half}</svg>`;
	const mask = `url("data:image/svg+xml,${encodeURIComponent(svg)}") center / 13px 10px no-repeat`;
	return {
		[`.cm-lint-marker-${severity}`]: { content: '""', background: colour, mask },
		[`.cm-lintRange-${severity}`]: {
			backgroundImage: 'none',
			borderBottom: `2px ${line} ${colour}`
		},
		[`.cm-diagnostic-${severity}`]: { borderLeftColor: colour }
	};
}

/** How every editor of the application looks: our paper, our mono face. */
export const editorLook = EditorView.theme({
	'&': { height: '100%', backgroundColor: 'var(--sheet)', color: 'var(--ink)', fontSize: '12.5px' },
	'&.cm-focused': { outline: 'none' },
	'.cm-scroller': { fontFamily: 'var(--mono)', lineHeight: '1.55' },
	'.cm-gutters': {
		backgroundColor: 'var(--sheet)',
		color: 'var(--ink-2)',
		borderRight: '1px solid var(--hair)'
	},
	'.cm-activeLine, .cm-activeLineGutter': {
		backgroundColor: 'color-mix(in srgb, var(--paper) 60%, transparent)'
	},
	'.cm-cursor': { borderLeftColor: 'var(--cedar)', borderLeftWidth: '2px' },
	'&.cm-focused .cm-selectionBackground, .cm-selectionBackground': {
		background: 'var(--cedar-wash) !important'
	},
	...findingMarks('error', 'var(--fault)', 'M3.5 1H12L9.5 9H1Z', 'solid'),
	...findingMarks('warning', 'var(--warn)', 'M2.25 5H10.75L9.5 9H1ZM3.5 1H12L9.5 9H1Z', 'dashed'),
	...findingMarks('hint', 'var(--ink-2)', 'M3.5 1H12L9.5 9H1Z', 'dotted'),
	'.cm-traced': { backgroundColor: 'var(--cedar-wash)' },
	'.cm-tooltip': {
		backgroundColor: 'var(--sheet)',
		border: '1px solid var(--rule)',
		color: 'var(--ink)',
		borderRadius: 'var(--radius)'
	},
	'.cm-tooltip-autocomplete ul li': { padding: '2px 8px !important' },
	'.cm-tooltip-autocomplete ul li[aria-selected]': {
		background: 'var(--cedar-wash) !important',
		color: 'var(--ink) !important'
	},
	'.cm-completionDetail': { fontFamily: 'var(--sans)', fontStyle: 'normal', color: 'var(--ink-2)' },
	'.cm-diagnostic': { fontFamily: 'var(--sans)', maxWidth: '440px' },
	'.cm-diagnostic-error': { borderLeftColor: 'var(--fault)' },
	'.cm-diagnostic-warning': { borderLeftColor: 'var(--warn)' },
	'.cm-panels': { backgroundColor: 'var(--paper)', color: 'var(--ink)' },
	'.cm-searchMatch': { backgroundColor: 'color-mix(in srgb, var(--l4) 30%, transparent)' }
});
