import { sameTrace, type Trace } from '$core/model/trace.ts';

/** What the pointer is on, in whichever drawing: the same thing lights up in all the others. */
class Hot {
	trace = $state.raw<Trace | undefined>();

	point(trace: Trace | undefined): void {
		const { trace: now } = this;
		if (trace && now ? sameTrace(trace, now) : trace === now) return;
		this.trace = trace;
	}
}

export const hot = new Hot();
