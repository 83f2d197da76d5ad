/** The window with the keys and the words that are ours. */
class Help {
	shown = $state(false);
}

export const help = new Help();
