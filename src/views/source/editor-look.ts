import { EditorView } from '@codemirror/view';

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
