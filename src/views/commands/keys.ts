/** The keys that work, by the place where they do. */
export interface KeyGroup {
	readonly where: string;
	/** Names of the views in which the place is; everywhere where there is none. */
	readonly views?: readonly string[];
	readonly keys: readonly (readonly [keys: string, does: string])[];
}

export const keyGroups: readonly KeyGroup[] = [
	{
		where: 'Everywhere',
		keys: [
			['Ctrl or Cmd and K', 'finds whatever has a name, and whatever can be done'],
			['Ctrl and Z', 'undoes the last edit'],
			['Ctrl, Shift and Z', 'redoes what was undone'],
			['?', 'shows these keys']
		]
	},
	{
		where: 'Sheet',
		views: ['Sheet'],
		keys: [
			['← → ↑ ↓', 'go from drawing to drawing'],
			['Enter', 'shows that page at that width on the stage'],
			['H', 'holds the drawing beside others, or puts it back']
		]
	},
	{
		where: 'Findings',
		views: ['Findings'],
		keys: [['↑ ↓', 'choose the finding above or below']]
	},
	{
		where: 'Width of the screen',
		views: ['Sweep'],
		keys: [
			['← →', 'by 1 px, with Shift by 10 px'],
			['Page Up, Page Down', 'go to where something jumps']
		]
	},
	{
		where: 'Roofline',
		views: ['Plan'],
		keys: [
			['↑ ↓ Home End', 'go from page to page'],
			['← →', 'fold and unfold a branch'],
			['Shift with an arrow key or click', 'chooses all pages up to another'],
			['Ctrl or Cmd with a click', 'chooses a page beside those that are'],
			['Enter', 'shows what the route says of itself'],
			['U', 'what it sits under'],
			['F2', 'renames or moves it'],
			['Delete', 'removes it']
		]
	},
	{
		where: 'Cross-section',
		views: ['Plan'],
		keys: [
			['← → ↑ ↓', 'go from block to block'],
			['B A I E P', 'before, after, instead, empty, let pass'],
			['L R', 'locked, required'],
			['F H', 'fill or hug, in a row or stack'],
			['S W', 'beside or below, in columns'],
			[', .', 'go from piece to piece, with Shift choose one more'],
			['Enter', 'edits the pieces'],
			['M', 'measures from here, and to there'],
			['Shift, Ctrl or Cmd with a click', 'chooses something beside what is chosen'],
			['Shift with an arrow key', 'chooses the next block beside it']
		]
	},
	{
		where: 'Values',
		views: ['Plan'],
		keys: [
			['← → ↑ ↓', 'go from value to value'],
			['Enter, or typing', 'changes it'],
			['Delete', 'frees it'],
			['Alt with ← →', 'lets it hold from another band on'],
			['↑ ↓ in a field', 'step by 1, with Shift by 10']
		]
	},
	{
		where: 'Stage',
		views: ['Plan'],
		keys: [
			['← → on the edge', 'change the width by 1 px, with Shift 10'],
			['Page Up, Page Down on the edge', 'go to breakpoints'],
			['← → on a handle of Scroll', 'scroll the stage by 1 px, with Shift 10'],
			['Page Up, Page Down there', 'go by screens'],
			['Alt with a click', 'keeps the distance to the chosen box'],
			['Shift, Ctrl or Cmd with a click', 'chooses something beside what is chosen'],
			['Shift and draw', 'chooses all pieces in the frame'],
			['a second click', 'chooses the piece in a region'],
			['a third click', 'chooses the element in a piece, links too'],
			['a double click', 'writes words anew'],
			['a right click', 'shows what can be done']
		]
	},
	{
		where: 'Text',
		views: ['Plan', 'Source'],
		keys: [
			['Ctrl and Space', 'offers what can be written'],
			['Ctrl and F', 'finds in the text'],
			['Escape, then Tab', 'leaves the editor']
		]
	}
];
