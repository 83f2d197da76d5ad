/** Says in which language some text is written, most likely; undefined where it is too short, or several are as likely. */
export type LanguageGuess = (text: string, said: string) => string | undefined;
