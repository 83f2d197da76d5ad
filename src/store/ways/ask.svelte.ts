/** A question with a few fields that the application asks before it can act. */
export interface Question {
	readonly title: string;
	readonly says: string;
	readonly fields: readonly {
		readonly label: string;
		readonly value: string;
		readonly mono?: boolean;
		/** What can stand there, where it is one of a list. */
		readonly options?: readonly string[];
		/** Several lines can stand there. */
		readonly lines?: boolean;
	}[];
	/** The word on the button that answers. */
	readonly act: string;
	/** Does it; gives the sentence where it cannot be, and nothing to say where the user did not agree. */
	readonly answer: (values: readonly string[]) => Promise<string | undefined>;
}

class Ask {
	question = $state.raw<Question | undefined>();
}

export const ask = new Ask();
