/** A step of the tour: one of the questions that come up again and again, and where the eye goes for it. */
export interface TourStep {
	readonly question: string;
	/** The view in which it is answered, as its path. */
	readonly view: '/plan' | '/sweep' | '/deliver';
	/** What is outlined there, by the name it has on the page. */
	readonly place: TourPlace;
	/** Where the eye goes first, and why. */
	readonly look: string;
	/** What to try, so that the answer comes by hand. */
	readonly try: string;
}

/** Parts of views that the tour points at. */
export const tourPlaces = [
	'roofline',
	'cross-section',
	'chart',
	'inspector',
	'coming-from',
	'forms'
] as const;
export type TourPlace = (typeof tourPlaces)[number];

/** The tour: in the real interface, on whatever site is open. */
export const tour: readonly TourStep[] = [
	{
		question: 'Which pages get this frame, and which do not?',
		view: '/plan',
		place: 'roofline',
		look: 'The roofline at the left: a line for each route, and a bar for each layout over the routes that it covers. A gap in a bar is a page that the frame leaves out.',
		try: 'Press a route, and its page is on the stage. Point at a layout below the list, and the pages it covers light up.'
	},
	{
		question: 'Where does this box come from?',
		view: '/plan',
		place: 'cross-section',
		look: 'The cross-section below the stage: a column for each region, a row for each layer. What hangs down the furthest is what the page shows.',
		try: 'Point at a box of the page: the block that put it there lights up. Press it, and the inspector says which file it is written in.'
	},
	{
		question: 'What happens to it on a small screen, and where does it break?',
		view: '/sweep',
		place: 'chart',
		look: 'Sweep: a line for each region over all widths of the screen. A step is a jump, red is what does not fit any more.',
		try: 'Drag the upright line, or press Page Down to go from jump to jump. Sheet shows the same of all pages, each at its breakpoints.'
	},
	{
		question: 'If I change it here, what else changes?',
		view: '/plan',
		place: 'inspector',
		look: 'The inspector at the right says whose a value is and how many pages it is for, before you touch it. The routes that a change would reach are marked in the roofline while you point at it.',
		try: 'Press a block of the cross-section, then point at “locked”: the marks at the routes are the answer. Nothing is changed until you press, and undo takes it back.'
	},
	{
		question:
			'What stays and what is thrown away when the visitor goes from this page to that one?',
		view: '/plan',
		place: 'coming-from',
		look: 'The list “from …” above the stage: choose the page that a visitor comes from, and each box says whether it stays or is made anew.',
		try: 'Choose another page there. Then press a link on the stage, and go the same way yourself.'
	},
	{
		question: 'How do I get it into my project?',
		view: '/deliver',
		place: 'forms',
		look: 'Deliver: a card for each form, with what is in it and how large it is: a static site, shells for a server of your own, the source for version control.',
		try: 'Download the static site, unpack it and open index.html: no server is needed. Then begin a site of your own.'
	}
];
