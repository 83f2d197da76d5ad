/** A question with a few fields that the application asks before it can act. */
export interface Question {
	readonly title: string;
	readonly says: string;
	readonly fields: readonly {
		readonly label: string;
		readonly value: string;
		readonly mono: boolean;
	}[];
	/** The word on the button that answers. */
	readonly act: string;
	/** Gives whether the question is done with; otherwise it stays open. */
	readonly answer: (values: readonly string[]) => Promise<boolean>;
}

class Ask {
	question = $state.raw<Question | undefined>();
}

export const ask = new Ask();
