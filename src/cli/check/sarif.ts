import type { Log, Result, ReportingDescriptor } from 'sarif';
import type { Report, ReportedFinding } from '../../core/findings/report.ts';
import { encodePath } from '../../core/model/address.ts';

const levels = { error: 'error', warning: 'warning', hint: 'note' } as const;

/** What was found, in the format in which programs exchange what analysis found (SARIF 2.1.0, OASIS). */
export function sarifOf({ findings, aside }: Report): Log {
	const rules = new Map<string, ReportingDescriptor>();
	for (const { code, severity, what, why, sentence } of findings) {
		if (rules.has(code)) continue;
		rules.set(code, {
			id: code,
			shortDescription: { text: what === '' ? sentence : what },
			...(why !== '' && { fullDescription: { text: why } }),
			defaultConfiguration: { level: levels[severity] }
		});
	}
	for (const { code } of aside) if (!rules.has(code)) rules.set(code, { id: code });
	const order = [...rules.keys()];
	return {
		version: '2.1.0',
		$schema: 'https://docs.oasis-open.org/sarif/sarif/v2.1.0/os/schemas/sarif-schema-2.1.0.json',
		runs: [
			{
				tool: { driver: { name: 'Long Eave', rules: [...rules.values()] } },
				columnKind: 'utf16CodeUnits',
				results: [
					...findings.map((finding) => resultOf(finding, order)),
					...aside.map(({ code, reason, sentence, file, line }): Result => ({
						ruleId: code,
						ruleIndex: order.indexOf(code),
						level: 'note',
						message: { text: sentence },
						locations: [
							{
								physicalLocation: {
									artifactLocation: { uri: encodePath(file) },
									region: { startLine: line }
								}
							}
						],
						suppressions: [{ kind: 'inSource', justification: reason }]
					}))
				]
			}
		]
	};
}

function resultOf(finding: ReportedFinding, order: readonly string[]): Result {
	const { code, severity, sentence, file, line, column, endLine, endColumn } = finding;
	const { pages, estimated, mend, fingerprint } = finding;
	return {
		ruleId: code,
		ruleIndex: order.indexOf(code),
		level: levels[severity],
		message: { text: sentence },
		locations: [
			{
				physicalLocation: {
					artifactLocation: { uri: encodePath(file) },
					region: {
						startLine: line,
						startColumn: column,
						endLine,
						endColumn: Math.max(endColumn, endLine === line ? column : 1)
					}
				}
			}
		],
		partialFingerprints: { 'lineText/v1': fingerprint },
		properties: { pages, estimated, mend }
	};
}
