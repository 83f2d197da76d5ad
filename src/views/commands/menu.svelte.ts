/** Where the menu of what can be done with what is chosen stands open, px of the screen. */
class ActionMenu {
	at = $state.raw<{ readonly x: number; readonly y: number } | undefined>();

	openAt(x: number, y: number): void {
		this.at = { x, y };
	}

	close(): void {
		this.at = undefined;
	}
}

export const menu = new ActionMenu();
