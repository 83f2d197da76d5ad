import type { StandIn } from './trial.ts';
import type { Arrangement } from './arrange.ts';
import type { SettingKind } from './setting.ts';
import type { FillKind, StateKind } from './site.ts';
import type { Span } from './span.ts';

/** A layer by name: a layout's name, a route's pattern, or a state and its place. */
export interface LayerRef {
	readonly kind: 'layout' | 'route' | 'state';
	readonly name: string;
}

export interface RegionRef {
	readonly layout: string;
	readonly region: string;
}

/** Where pieces stand: in a page itself, in a layout's region, or in a layer's fill of a region. */
export interface HolderRef {
	readonly layer: LayerRef;
	/** Without it: the page's own content. */
	readonly region: RegionRef | undefined;
	/** The group of pieces there that is meant, by its name. */
	readonly group?: string | undefined;
}

/** A box with settings of its own: a region or wrapper by name, or without it the layout itself. */
export interface BoxRef {
	readonly layout: string;
	readonly box: string | undefined;
	/** The layer for whose pages alone something is said of it; undefined: for all pages of the layout. */
	readonly only?: LayerRef | undefined;
}

/** A piece, or a group of pieces, by the place it stands in and its name there, however deep. */
export interface PieceRef {
	readonly holder: HolderRef;
	readonly piece: string;
}

/** All that a page or fill brings, as one box, whether it says already how that lies or not. */
export interface WholeRef {
	readonly holder: HolderRef;
	readonly piece?: undefined;
}

/** Whatever has settings: a box of a layout, or a piece. */
export type SizedRef = BoxRef | PieceRef;

/** Whatever arranges something. */
export type ArrangedRef = SizedRef | WholeRef;

/** Whether something has settings: all that a page or fill brings has none. */
export function isSizedRef(ref: ArrangedRef): ref is SizedRef {
	return !('holder' in ref) || ref.piece !== undefined;
}

export function isPieceRef(ref: SizedRef): ref is PieceRef;
export function isPieceRef(ref: ArrangedRef): ref is PieceRef | WholeRef;
export function isPieceRef(ref: ArrangedRef): boolean {
	return 'holder' in ref;
}

/** Something within an arrangement that has a word of its own. */
export type ArrangedWord = 'gap' | 'justify' | 'align' | 'wrap';

/** Edits of sizes; each is for one band, by its name. */
/** What can be said of an arrangement in columns. */
export interface ColumnsSaid {
	/** How many equal ones, or a CSS track list. */
	readonly columns: string;
	/** What a member takes that says nothing; as where nothing is said of it with `unsaid`. */
	readonly each: number | 'unsaid';
	/** How many rows share alike; with `any`, they come as they are needed. */
	readonly rows: number | 'any';
	/** Rows are as high as each other whatever is in them. */
	readonly equalRows: boolean;
}

export type SizeCommand =
	/** `undefined` frees it: the narrower band's value holds again. */
	| {
			readonly kind: 'set-setting';
			readonly box: SizedRef;
			readonly setting: SettingKind;
			readonly value: string | undefined;
			readonly band: string;
			/** What in a style says the same so far, and goes. */
			readonly without?: Span;
	  }
	| {
			readonly kind: 'move-setting';
			readonly box: SizedRef;
			readonly setting: SettingKind;
			readonly from: string;
			readonly to: string;
	  }
	/** Starts from what holds there; `undefined`: as in the narrower band again. */
	| {
			readonly kind: 'set-arrangement';
			readonly box: ArrangedRef;
			readonly arrangement: Arrangement['kind'] | undefined;
			readonly band: string;
	  }
	/** What is said anew of columns; the rest stays. */
	| {
			readonly kind: 'set-columns';
			readonly box: ArrangedRef;
			readonly said: Partial<ColumnsSaid>;
			readonly band: string;
	  }
	| {
			readonly kind: 'set-arranged';
			readonly box: ArrangedRef;
			readonly word: ArrangedWord;
			readonly value: string | undefined;
			readonly band: string;
	  }
	/** Several sizes take the place of one: what lay there lies over all of them. */
	| {
			readonly kind: 'set-track';
			readonly box: ArrangedRef;
			readonly axis: Axis;
			readonly index: number;
			readonly size: string;
			readonly band: string;
	  }
	/** Puts a column or row in front of the one at `index`, or behind the last. */
	| {
			readonly kind: 'add-track';
			readonly box: ArrangedRef;
			readonly axis: Axis;
			readonly index: number;
			readonly band: string;
			/** How many; one where nothing is said. */
			readonly count?: number;
	  }
	| {
			readonly kind: 'remove-track';
			readonly box: ArrangedRef;
			readonly axis: Axis;
			readonly index: number;
			readonly band: string;
			/** How many; one where nothing is said. */
			readonly count?: number;
	  }
	| {
			readonly kind: 'set-areas';
			readonly box: ArrangedRef;
			readonly cells: readonly (readonly string[])[];
			readonly band: string;
	  }
	/** A member changes places with another one, or goes to one of its sides. */
	| {
			readonly kind: 'move-area';
			readonly box: ArrangedRef;
			readonly member: string;
			readonly target: string;
			readonly side: Side;
			readonly band: string;
	  }
	/** px */
	| { readonly kind: 'set-breakpoint'; readonly band: string; readonly from: number };

export type Axis = 'columns' | 'rows';

/** Where something goes, seen from another: into its place, or beside it. */
export type Side = 'swap' | 'left' | 'right' | 'above' | 'below';

/** What a site says of itself in one word or text. */
export const sitePartNames = ['name', 'lang', 'dir', 'address', 'urls'] as const;
export type SitePart = (typeof sitePartNames)[number];

/** Edits of what all pages share. */
export type SiteCommand =
	/** `undefined` takes back what was said. */
	| { readonly kind: 'set-site'; readonly part: SitePart; readonly value: string | undefined }
	| { readonly kind: 'add-band'; readonly name: string; readonly from: number }
	| { readonly kind: 'rename-band'; readonly band: string; readonly to: string }
	| { readonly kind: 'remove-band'; readonly band: string }
	| { readonly kind: 'add-role'; readonly name: string }
	| { readonly kind: 'rename-role'; readonly name: string; readonly to: string }
	| { readonly kind: 'remove-role'; readonly name: string }
	/** `undefined` frees it in a band: the narrower band's value holds again. */
	| {
			readonly kind: 'set-token';
			readonly name: string;
			readonly value: string | undefined;
			readonly band: string;
	  }
	| { readonly kind: 'rename-token'; readonly name: string; readonly to: string }
	| { readonly kind: 'remove-token'; readonly name: string }
	| { readonly kind: 'put-file'; readonly file: string; readonly bytes: Uint8Array }
	| { readonly kind: 'rename-file'; readonly file: string; readonly to: string }
	| { readonly kind: 'remove-file'; readonly file: string }
	/** The text of a file, or of all, as one would write it with care; it reads the same. */
	| { readonly kind: 'tidy-text'; readonly file: string | undefined };

/** Which pages there are of a route, as one chooses it. */
export type PagesChoice =
	| { readonly kind: 'one' }
	/** `data` is the path of a list, `data.NAME`. */
	| { readonly kind: 'each'; readonly data: string; readonly field: string }
	| { readonly kind: 'samples'; readonly values: readonly string[] };

/** Edits of routes, layouts and of what they say. */
export type LayerCommand =
	| { readonly kind: 'add-route'; readonly pattern: string; readonly title: string }
	| { readonly kind: 'move-route'; readonly pattern: string; readonly to: string }
	| { readonly kind: 'remove-route'; readonly pattern: string }
	/** What is drawn where a page of a route, or one below it, is missing, denied, failed or not there yet. */
	| { readonly kind: 'add-state'; readonly state: StateKind; readonly at: string }
	/** `name` is as in `layerName`: `not-found at /`. */
	| { readonly kind: 'remove-state'; readonly name: string }
	| { readonly kind: 'set-pages'; readonly pattern: string; readonly pages: PagesChoice }
	| {
			readonly kind: 'add-layout';
			readonly name: string;
			readonly at: string;
			readonly onRequest?: boolean;
	  }
	| { readonly kind: 'rename-layout'; readonly name: string; readonly to: string }
	| { readonly kind: 'move-layout'; readonly name: string; readonly at: string }
	| { readonly kind: 'remove-layout'; readonly name: string }
	| { readonly kind: 'set-on-request'; readonly name: string; readonly on: boolean }
	| { readonly kind: 'set-measure'; readonly name: string; readonly by: 'screen' | 'space' }
	/** `undefined`: under the nearest layout that covers it. */
	| { readonly kind: 'set-under'; readonly layer: LayerRef; readonly under: string | undefined }
	/** A title or description as it is written in quotes; `undefined` takes it back. */
	| {
			readonly kind: 'set-words';
			readonly layer: LayerRef;
			readonly part: 'title' | 'description';
			readonly value: string | undefined;
	  }
	| { readonly kind: 'set-admit'; readonly layer: LayerRef; readonly roles: readonly string[] }
	| {
			readonly kind: 'change-access';
			readonly route: string;
			readonly role: string;
			readonly opens: boolean;
	  }
	| {
			readonly kind: 'set-fill';
			readonly layer: LayerRef;
			readonly region: RegionRef;
			readonly fill: FillKind;
	  }
	| { readonly kind: 'remove-fill'; readonly layer: LayerRef; readonly region: RegionRef }
	/** For whom it is what a layer puts into a region; everyone where no role is named. */
	| {
			readonly kind: 'set-fill-seen-by';
			readonly layer: LayerRef;
			readonly region: RegionRef;
			readonly roles: readonly string[];
	  };

/** Where something is put: in front of or behind another of its kind. */
export interface Beside {
	readonly name: string;
	readonly where: 'before' | 'after';
}

/** Areas of a box in one band, as they are once something new lies in some of them. */
export interface PaintedArea {
	readonly box: ArrangedRef;
	readonly cells: readonly (readonly string[])[];
	readonly band: string;
}

/** Edits of the regions and wrappers of a layout. */
export type RegionCommand =
	| {
			readonly kind: 'add-region';
			readonly layout: string;
			readonly name: string;
			readonly element: string;
			/** The empty area that it takes, in one band; without, it gets a row of its own. */
			readonly area?: PaintedArea & { readonly box: BoxRef };
	  }
	| { readonly kind: 'rename-region'; readonly region: RegionRef; readonly to: string }
	| { readonly kind: 'set-element'; readonly region: RegionRef; readonly element: string }
	| { readonly kind: 'reorder-region'; readonly region: RegionRef; readonly by: -1 | 1 }
	/** Regions and wrappers change their place in the reading order. */
	| {
			readonly kind: 'place-member';
			readonly layout: string;
			readonly name: string;
			readonly beside: Beside;
	  }
	| { readonly kind: 'remove-region'; readonly region: RegionRef }
	| {
			readonly kind: 'wrap';
			readonly layout: string;
			readonly members: readonly string[];
			readonly name: string;
	  }
	| { readonly kind: 'unwrap'; readonly layout: string; readonly name: string }
	| {
			readonly kind: 'set-flag';
			readonly region: RegionRef;
			readonly flag: 'locked' | 'required';
			readonly on: boolean;
	  };

/** What a list of links is made from. */
export interface NavSaid {
	/** The route whose pages below it are linked to. */
	readonly from: string;
	/** How many segments down it reaches. */
	readonly depth: number;
	/** The page at `from` is the first of the links. */
	readonly withStart: boolean;
}

/** What a new piece starts with. */
export type PieceStart =
	| { readonly kind: 'markup'; readonly markup: string }
	| { readonly kind: 'nav'; readonly from: string; readonly depth: number }
	| { readonly kind: 'copy'; readonly of: PieceRef };

/** An element of a piece's markup: which of all in it, the outer before the inner, and as it is written now. */
export interface ElementRef {
	readonly piece: PieceRef;
	readonly index: number;
	readonly markup: string;
}

/** Edits of pieces. */
export type PieceCommand =
	| {
			readonly kind: 'add-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly start?: PieceStart;
			/** The empty area that it takes, in one band; without, it gets a row of its own. */
			readonly area?: PaintedArea;
	  }
	/** A piece for each row of a table, or line of a list, that was pasted. */
	| { readonly kind: 'paste-pieces'; readonly holder: HolderRef; readonly text: string }
	| {
			readonly kind: 'rename-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly to: string;
	  }
	| {
			readonly kind: 'reorder-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly by: -1 | 1;
	  }
	/** A piece goes to another place, or beside another one of its own. */
	| {
			readonly kind: 'move-piece';
			readonly holder: HolderRef;
			readonly name: string;
			readonly to: HolderRef;
			readonly beside?: Beside;
	  }
	| { readonly kind: 'remove-piece'; readonly holder: HolderRef; readonly name: string }
	/** Pieces that stand in one place go, or go to another place, or beside another one, in their order. */
	| {
			readonly kind: 'remove-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
	  }
	| {
			readonly kind: 'move-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
			readonly to: HolderRef;
			readonly beside?: Beside;
	  }
	/** Copies of pieces that stand in one place, behind the last of them. */
	| {
			readonly kind: 'copy-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
	  }
	/** Pieces that stand in one place get a box around them, which takes the place of the first. */
	| {
			readonly kind: 'group-pieces';
			readonly holder: HolderRef;
			readonly pieces: readonly string[];
			readonly name: string;
	  }
	/** A group goes, and what is in it stays. */
	| { readonly kind: 'ungroup'; readonly holder: HolderRef; readonly name: string }
	/** For whom a piece is; everyone where no role is named. */
	| {
			readonly kind: 'set-seen-by';
			readonly holder: HolderRef;
			readonly name: string;
			readonly roles: readonly string[];
	  }
	| {
			readonly kind: 'set-markup';
			readonly holder: HolderRef;
			readonly name: string;
			readonly markup: string;
	  }
	/** What stands in for a piece where a page is tried with less or more content; undefined takes it away. */
	| {
			readonly kind: 'set-stand-in';
			readonly holder: HolderRef;
			readonly name: string;
			readonly of: StandIn;
			readonly markup: string | undefined;
	  }
	| {
			readonly kind: 'set-nav';
			readonly holder: HolderRef;
			readonly name: string;
			readonly said: NavSaid;
	  }
	/** Words of markup: where they are written, as they are written there, and as they should be seen. */
	| {
			readonly kind: 'edit-words';
			/** The piece or part whose words they are. */
			readonly name: string;
			readonly place: Span;
			readonly before: string;
			readonly after: string;
	  }
	/** An element once for each member of a list, with other texts in the place of its words where they are given. */
	| {
			readonly kind: 'repeat-element';
			readonly element: ElementRef;
			readonly list: string;
			/** What a member is called in it. */
			readonly name: string;
			readonly texts: readonly (string | undefined)[];
			/** Those beside it that are like it but for their words go. */
			readonly replacesOthers: boolean;
	  }
	/** An element only where something is so: `data.hours.today is "closed"`. */
	| { readonly kind: 'show-element-if'; readonly element: ElementRef; readonly test: string }
	/** Other texts in the place of an element's words, where they are given. */
	| {
			readonly kind: 'set-element-texts';
			readonly element: ElementRef;
			readonly texts: readonly (string | undefined)[];
	  }
	/** Markup of a piece or part as it is written somewhere and as it should be; what becomes nothing goes with its lines. */
	| {
			readonly kind: 'write-markup';
			readonly of: string;
			readonly place: Span;
			readonly before: string;
			readonly after: string;
	  }
	/** A list or condition goes, and what stands in it stays: of a list, for its first member. */
	| {
			readonly kind: 'open-block';
			readonly of: string;
			readonly place: Span;
			readonly before: string;
	  }
	/** A picture among the markup of a piece or part, with the files that it shows where they are new. */
	| {
			readonly kind: 'put-picture';
			readonly name: string;
			readonly place: Span;
			readonly before: string;
			readonly after: string;
			readonly files: readonly { readonly file: string; readonly bytes: Uint8Array }[];
	  };

/** What a data source says of itself. */
export type DataPart = 'from' | 'fresh' | 'failed' | 'shape';

/** The values of one name that the members of a list in a source have. */
interface ColumnAt {
	readonly name: string;
	readonly path: readonly (string | number)[];
	readonly column: string;
}

/** Edits of what pages share: data and parts. */
export type SharedCommand =
	| {
			readonly kind: 'add-data';
			readonly name: string;
			readonly from: string;
			/** A table or list that was pasted, which a file that is made begins with. */
			readonly pasted?: string;
			/** Without anything pasted, the names of values that its first member has, all empty. */
			readonly columns?: readonly string[];
	  }
	| { readonly kind: 'rename-data'; readonly name: string; readonly to: string }
	| { readonly kind: 'remove-data'; readonly name: string }
	| {
			readonly kind: 'set-data';
			readonly name: string;
			readonly part: DataPart;
			readonly value: string | undefined;
	  }
	| { readonly kind: 'keep-shape'; readonly name: string }
	| { readonly kind: 'set-json'; readonly name: string; readonly text: string }
	/** `undefined` takes the value away. */
	| {
			readonly kind: 'set-value';
			readonly name: string;
			readonly path: readonly (string | number)[];
			readonly value: unknown;
	  }
	| {
			readonly kind: 'add-member';
			readonly name: string;
			readonly path: readonly (string | number)[];
	  }
	/** Each member of a list gets a value of that name. */
	| ({ readonly kind: 'add-column' } & ColumnAt)
	| ({ readonly kind: 'remove-column' } & ColumnAt)
	| ({ readonly kind: 'rename-column'; readonly to: string } & ColumnAt)
	| { readonly kind: 'add-part'; readonly name: string }
	/** `start` is a place in the list of what could become a part, `others` places in its list of like ones. */
	| {
			readonly kind: 'make-part';
			readonly piece: PieceRef;
			readonly start: number;
			readonly name: string;
			readonly others: readonly number[];
	  }
	| { readonly kind: 'rename-part'; readonly name: string; readonly to: string }
	| {
			readonly kind: 'rename-parameter';
			readonly part: string;
			readonly name: string;
			readonly to: string;
	  }
	| {
			readonly kind: 'rename-variant';
			readonly part: string;
			readonly parameter: string;
			readonly value: string;
			readonly to: string;
	  }
	| { readonly kind: 'set-parameters'; readonly name: string; readonly text: string }
	/** It is given something more, which is one of some values, the first where nothing is given. */
	| {
			readonly kind: 'add-parameter';
			readonly part: string;
			readonly name: string;
			readonly values: readonly string[];
	  }
	| {
			readonly kind: 'add-variant';
			readonly part: string;
			readonly parameter: string;
			readonly value: string;
	  }
	/** The style that holds in all bands; without any text it goes. */
	| { readonly kind: 'set-part-style'; readonly name: string; readonly css: string }
	| { readonly kind: 'set-part-markup'; readonly name: string; readonly markup: string }
	| { readonly kind: 'remove-part'; readonly name: string };

/** What can say that findings are set aside: a layer, a part, or the whole site, which has no name. */
export interface AllowRef {
	readonly kind: LayerRef['kind'] | 'part' | 'site';
	readonly name: string;
}

/** Edits that take findings away. */
export type MendCommand =
	/** Other text in the place of what a finding is about; `was` has to stand there still. */
	| {
			readonly kind: 'mend-text';
			readonly label: string;
			readonly span: Span;
			readonly was: string;
			readonly insert: string;
	  }
	/** A rule in a style of its own, for the content that a layer brings. */
	| {
			readonly kind: 'add-rule';
			readonly label: string;
			readonly in: LayerRef;
			readonly css: string;
	  }
	| {
			readonly kind: 'set-aside';
			readonly code: string;
			readonly in: AllowRef;
			readonly reason: string;
	  }
	/** What was set aside is told again. */
	| { readonly kind: 'tell-again'; readonly code: string; readonly in: AllowRef };

/** Lets boxes say the same as another, in the same bands. */
export interface CopySettingsCommand {
	readonly kind: 'copy-settings';
	readonly of: SizedRef;
	readonly boxes: readonly SizedRef[];
}

/** Several edits as one, which undo takes back in one step: all of them are made, or none. */
export interface SeveralCommand {
	readonly kind: 'several';
	readonly label: string;
	readonly commands: readonly Command[];
}

/** Everything the drawings can ask for. Each becomes the smallest change of the text that says it. */
export type Command =
	| SizeCommand
	| SiteCommand
	| LayerCommand
	| RegionCommand
	| PieceCommand
	| SharedCommand
	| MendCommand
	| CopySettingsCommand
	| SeveralCommand;

/** One edit for each of some things; where there is only one, that edit. `label`: what is done to each, for the list of edits. */
export function forEach<T>(
	things: readonly T[],
	label: string,
	command: (thing: T) => Command
): Command {
	const commands = things.map(command);
	const [only] = commands;
	if (only && commands.length === 1) return only;
	return { kind: 'several', label: `${commands.length} chosen: ${label}`, commands };
}

const sizeKinds: ReadonlySet<string> = new Set<SizeCommand['kind']>([
	'set-setting',
	'move-setting',
	'set-arrangement',
	'set-columns',
	'set-arranged',
	'set-track',
	'add-track',
	'remove-track',
	'set-areas',
	'move-area',
	'set-breakpoint'
]);

/** Whether a command is about sizes, and so about bands. */
export function isAboutSizes(command: Command): boolean {
	if (command.kind === 'several') return command.commands.some(isAboutSizes);
	return sizeKinds.has(command.kind);
}
