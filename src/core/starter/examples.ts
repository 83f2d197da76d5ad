/** A whole site to look into, beside the demo. */
export interface Example {
	/** The name of its folder in `examples`. */
	readonly name: string;
	readonly title: string;
	/** What can be seen in it that others do not have. */
	readonly shows: string;
}

export const examples: readonly Example[] = [
	{
		name: 'board',
		title: 'A notice board',
		shows:
			'Twelve columns that become one, cards from shared data by a part with three variants, and a menu that slides in on a phone.'
	},
	{
		name: 'handbook',
		title: 'A documentation',
		shows:
			'Chapters at one side and what is on the page at the other: three arrangements of one frame, which pages add to and replace.'
	},
	{
		name: 'stall',
		title: 'A shop',
		shows:
			'One route that makes a page for each member of a list, filters that stick beside it on wide screens, and a form.'
	},
	{
		name: 'gazette',
		title: 'A magazine from right to left',
		shows:
			'Hebrew, so that rows, menus and drawings turn around by themselves; type that grows with the screen, and a front page with a layout of its own.'
	}
];
