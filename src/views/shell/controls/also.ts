/** Whether a press chooses something beside what is chosen: with Shift, Ctrl or Cmd, as lists have it. */
export function isAlso(event: object): boolean {
	return ['shiftKey', 'ctrlKey', 'metaKey'].some((key) => Reflect.get(event, key) === true);
}
