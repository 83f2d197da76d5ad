/** Where a command writes: what was asked for, and what is to be said besides. */
export interface Streams {
	readonly out: (text: string) => void;
	readonly errors: (text: string) => void;
}

/** The streams of the process. */
export const ownStreams: Streams = {
	out: (text) => void process.stdout.write(text),
	errors: (text) => void process.stderr.write(text)
};
