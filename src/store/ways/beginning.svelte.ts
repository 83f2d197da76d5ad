/** The window in which a new site begins. */
class Beginning {
	asked = $state(false);
}

export const beginning = new Beginning();
