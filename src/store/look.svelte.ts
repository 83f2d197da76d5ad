import { z } from 'zod';
import { clampWidth } from './address.ts';

const lookSchema = z.object({
	mode: z.enum(['day', 'night']).optional(),
	width: z.number().optional(),
	overlay: z.boolean().optional()
});

const key = 'long-eave look';

/** How the visitor left the application: theme and stage width. Remembered in this browser. */
class Look {
	mode = $state<'day' | 'night'>('day');
	/** px */
	width = $state(1180);
	/** Whose each box is, and how large, drawn over the page. */
	overlay = $state(true);

	start(): void {
		const kept = lookSchema.safeParse(JSON.parse(localStorage.getItem(key) ?? '{}')).data;
		const prefersNight = matchMedia('(prefers-color-scheme: dark)').matches;
		this.mode = kept?.mode ?? (prefersNight ? 'night' : 'day');
		if (kept?.width !== undefined) this.width = clampWidth(kept.width);
		this.overlay = kept?.overlay ?? true;
	}

	keep(): void {
		const { mode, width, overlay } = this;
		localStorage.setItem(key, JSON.stringify({ mode, width, overlay }));
	}
}

export const look = new Look();
