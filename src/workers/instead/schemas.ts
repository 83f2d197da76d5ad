/**
 * In the application this stands in the place of the library that checks JSON by writing code for it, which the
 * policy of its pages does not let run. What would be checked there is the table of elements that the rules of HTML
 * come with, and our own choice of rules: both are the same in each build, and the tests check them as they are.
 */
export default class TrustingSchemas {
	addMetaSchema(): this {
		return this;
	}

	addKeyword(): this {
		return this;
	}

	getSchema(): undefined {
		return undefined;
	}

	compile(): () => boolean {
		return () => true;
	}
}
