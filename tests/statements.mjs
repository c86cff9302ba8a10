// Reads a bank statement with independent parsers of the npm registry:
// node tests/statements.mjs FILE prints account, balances and entries as JSON.
import { CashManagementEndOfDayReport } from 'iso20022.js';
import mt940 from 'mt940js';
import { readFileSync } from 'node:fs';

const text = readFileSync(process.argv[2], 'utf8');
const cents = (number) => Math.round(number * 100);
if (text.includes('<Document')) {
    const report = CashManagementEndOfDayReport.fromXML(text);
    const minor = (of) => (of.creditDebitIndicator === 'debit' ? -1 : 1) * Number(of.amount);
    console.log(
        JSON.stringify(
            report.statements.map((statement) => ({
                number: statement.id,
                opening: minor(statement.balances.find((balance) => balance.type === 'OPBD' || balance.type?.code === 'OPBD')),
                closing: minor(statement.balances.find((balance) => balance.type === 'CLBD' || balance.type?.code === 'CLBD')),
                entries: statement.entries.map((entry) => minor(entry)),
            })),
        ),
    );
} else {
    console.log(
        JSON.stringify(
            new mt940.Parser().parse(text).map((statement) => ({
                number: statement.number.statement,
                opening: cents(statement.openingBalance),
                closing: cents(statement.closingBalance),
                entries: statement.transactions.map((transaction) => cents(transaction.amount)),
                references: statement.transactions.map((transaction) => transaction.bankReference),
            })),
        ),
    );
}
