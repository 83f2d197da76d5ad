/**
 * Moments as milliseconds since 1970 in UTC, without a clock. The calendar is the proleptic Gregorian one
 * (ISO 8601); leap seconds do not count, as in ECMA-262, section 21.4.1.
 */
export interface UtcTime {
	readonly year: number;
	/** From 1. */
	readonly month: number;
	readonly day: number;
	readonly hours: number;
	readonly minutes: number;
	readonly seconds: number;
	/** 0 is Sunday. */
	readonly weekday: number;
}

const msOfDay = 86_400_000;
const isoShape =
	/^(\d{4})-(\d{2})-(\d{2})(?:T(\d{2}):(\d{2})(?::(\d{2})(?:\.(\d{1,3})\d*)?)?(Z|[+-]\d{2}:\d{2})?)?$/;

/** Days since 1970-01-01, counted in years that begin in March, so that leap days come last. */
function daysFrom(year: number, month: number, day: number): number {
	const shifted = month <= 2 ? year - 1 : year;
	const era = Math.floor(shifted / 400);
	const ofEra = shifted - era * 400;
	const ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + day - 1;
	return (
		era * 146_097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719_468
	);
}

/** ms of a date and time; undefined where there is no such day or time. */
export function utcMs(time: Omit<UtcTime, 'weekday'>): number | undefined {
	const { year, month, day, hours, minutes, seconds } = time;
	if (month < 1 || month > 12 || hours > 24 || minutes > 59 || seconds > 60) return undefined;
	const ms = daysFrom(year, month, day) * msOfDay + ((hours * 60 + minutes) * 60 + seconds) * 1000;
	const there = utcTime(daysFrom(year, month, day) * msOfDay);
	return there.month === month && there.day === day ? ms : undefined;
}

/** The date and time of a moment. */
export function utcTime(ms: number): UtcTime {
	const days = Math.floor(ms / msOfDay);
	const rest = ms - days * msOfDay;
	const shifted = days + 719_468;
	const era = Math.floor(shifted / 146_097);
	const ofEra = shifted - era * 146_097;
	const yearOfEra = Math.floor(
		(ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36_524) - Math.floor(ofEra / 146_096)) /
			365
	);
	const ofYear =
		ofEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
	const shiftedMonth = Math.floor((5 * ofYear + 2) / 153);
	const month = shiftedMonth + (shiftedMonth < 10 ? 3 : -9);
	const seconds = Math.floor(rest / 1000);
	return {
		year: yearOfEra + era * 400 + (month <= 2 ? 1 : 0),
		month,
		day: ofYear - Math.floor((153 * shiftedMonth + 2) / 5) + 1,
		hours: Math.floor(seconds / 3600),
		minutes: Math.floor(seconds / 60) % 60,
		seconds: seconds % 60,
		weekday: (((days + 4) % 7) + 7) % 7
	};
}

/** ms of an ISO 8601 date, with or without a time; one without a zone is UTC. Undefined for what is none. */
export function isoMs(text: string): number | undefined {
	const found = isoShape.exec(text);
	if (!found) return undefined;
	const [year = 0, month = 0, day = 0, hours = 0, minutes = 0, seconds = 0] = found
		.slice(1, 7)
		.map((part) => Number(part ?? 0));
	const ms = utcMs({ year, month, day, hours, minutes, seconds });
	const zone = /^([+-])(\d{2}):(\d{2})$/.exec(found[8] ?? '');
	if (ms === undefined || !zone) return ms;
	const offset = (Number(zone[2]) * 60 + Number(zone[3])) * 60_000;
	return zone[1] === '+' ? ms - offset : ms + offset;
}

const weekdays = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;
const months = [
	'Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'
] as const; // prettier-ignore
const httpShape = /^[A-Z][a-z]{2}, (\d{2}) ([A-Z][a-z]{2}) (\d{4}) (\d{2}):(\d{2}):(\d{2}) GMT$/;

/** A moment as HTTP writes it (RFC 9110, section 5.6.7), such as `Sun, 06 Nov 1994 08:49:37 GMT`. */
export function httpDate(ms: number): string {
	const { year, month, day, hours, minutes, seconds, weekday } = utcTime(ms);
	const two = (value: number): string => String(value).padStart(2, '0');
	const date = `${two(day)} ${months[month - 1] ?? 'Jan'} ${String(year).padStart(4, '0')}`;
	return `${weekdays[weekday] ?? 'Sun'}, ${date} ${two(hours)}:${two(minutes)}:${two(seconds)} GMT`;
}

/** ms of a date of HTTP; undefined for what is none. */
export function httpDateMs(text: string): number | undefined {
	const found = httpShape.exec(text.trim());
	if (!found) return undefined;
	const month = months.findIndex((name) => name === found[2]) + 1;
	const [day, , year, hours, minutes, seconds] = found.slice(1).map(Number);
	return utcMs({
		year: year ?? 0,
		month,
		day: day ?? 0,
		hours: hours ?? 0,
		minutes: minutes ?? 0,
		seconds: seconds ?? 0
	});
}
