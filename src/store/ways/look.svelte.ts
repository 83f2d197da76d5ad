import * as z from 'zod/mini';
import type { HandOver } from '$core/emit/hand-over.ts';
import { clampWidth } from '../address.ts';

/** The forms in which a site is handed over. */
const handedForms = ['site', 'shells', 'source'] as const;
export type HandedForm = (typeof handedForms)[number];

const lookSchema = z.object({
	mode: z.optional(z.enum(['day', 'night'])),
	width: z.optional(z.number()),
	overlay: z.optional(z.boolean()),
	tracks: z.optional(z.boolean()),
	scrollbars: z.optional(z.boolean()),
	night: z.optional(z.boolean()),
	scrolling: z.optional(z.boolean()),
	marks: z.optional(z.boolean()),
	closed: z.optional(z.boolean()),
	nginx: z.optional(z.boolean()),
	form: z.optional(z.enum(handedForms)),
	height: z.optional(z.number().check(z.minimum(200), z.maximum(4000)))
});

const key = 'long-eave look';

/** What was remembered; what cannot be read any more is as if it had not been said. */
function readKept(): z.infer<typeof lookSchema> | undefined {
	try {
		return lookSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? '{}')).data;
	} catch {
		return undefined;
	}
}

/** How the visitor left the application: theme and stage width. Remembered in this browser. */
class Look {
	mode = $state<'day' | 'night'>('day');
	/** px */
	width = $state(1180);
	/** Whose each box is, and how large, drawn over the page. */
	overlay = $state(true);
	/** Columns and rows, drawn over the page. */
	tracks = $state(false);
	/** Scrollbars are there on the stage and take room, as they do on many screens. */
	scrollbars = $state(false);
	/** Pages are shown as for visitors who prefer dark colours. */
	night = $state(false);
	/** What scrolling does is shown below the stage. */
	scrolling = $state(false);
	/** What is handed over says what made each element. */
	marks = $state(false);
	/** What is handed over has pages that not everyone may open. */
	closed = $state(false);
	/** It has a configuration for a web server. */
	nginx = $state(false);
	/** The form whose files are shown, and that was handed over last. */
	form = $state<HandedForm>('site');
	/** Height of the screen, px; undefined: as tall as there is room. */
	height = $state<number | undefined>();

	start(): void {
		const kept = readKept();
		const prefersNight = matchMedia('(prefers-color-scheme: dark)').matches;
		this.mode = kept?.mode ?? (prefersNight ? 'night' : 'day');
		if (kept?.width !== undefined) this.width = clampWidth(kept.width);
		this.overlay = kept?.overlay ?? true;
		this.tracks = kept?.tracks ?? false;
		this.scrollbars = kept?.scrollbars ?? false;
		this.night = kept?.night ?? false;
		this.scrolling = kept?.scrolling ?? false;
		this.marks = kept?.marks ?? false;
		this.closed = kept?.closed ?? false;
		this.nginx = kept?.nginx ?? false;
		this.form = kept?.form ?? 'site';
		this.height = kept?.height;
	}

	/** What is to be handed over. */
	get handOver(): HandOver {
		return { marks: this.marks, closed: this.closed, nginx: this.nginx };
	}

	keep(): void {
		const { mode, width, height, overlay, tracks, scrollbars, night, scrolling, form } = this;
		const seen = { mode, width, height, overlay, tracks, scrollbars, night, scrolling, form };
		const kept = { ...seen, ...this.handOver };
		try {
			localStorage.setItem(key, JSON.stringify(kept));
		} catch {
			// A browser that keeps nothing starts anew the next time.
		}
	}
}

export const look = new Look();
