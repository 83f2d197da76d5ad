import { sameTrace, type Trace } from '$core/model/trace.ts';

/** Two boxes between which lines of distance stay drawn. */
export interface Measure {
	readonly from: Trace;
	readonly to: Trace;
}

/** Distances on the stage that stay until they are taken away. */
class Measures {
	kept = $state.raw<readonly Measure[]>([]);
	/** The box that a distance begins at, until its other end is picked. */
	start = $state.raw<Trace | undefined>();

	/** Picks one end; with the second one the distance is drawn, or taken away where it was. */
	pick(trace: Trace): void {
		const { start } = this;
		this.start = start ? undefined : trace;
		if (start) this.toggle(start, trace);
	}

	toggle(from: Trace, to: Trace): void {
		if (sameTrace(from, to)) return;
		const others = this.kept.filter((one) => !isBetween(one, from, to));
		this.kept = others.length < this.kept.length ? others : [...this.kept, { from, to }];
	}

	clear(): void {
		this.kept = [];
		this.start = undefined;
	}
}

function isBetween(measure: Measure, one: Trace, other: Trace): boolean {
	const { from, to } = measure;
	return (
		(sameTrace(from, one) && sameTrace(to, other)) || (sameTrace(from, other) && sameTrace(to, one))
	);
}

export const measures = new Measures();
