import type { SizedRef } from '$core/model/command.ts';

/** The box whose settings were copied, and what it is called; its settings are read when they are pasted. */
class Copied {
	of = $state.raw<{ readonly ref: SizedRef; readonly name: string }>();
}

export const copied = new Copied();
