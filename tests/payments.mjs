// Independent packages of the npm registry on payments. node tests/payments.mjs ibans < [texts];
// status FILE reads a pain.002; order writes a pain.001 of its own.
import { isValidIBAN } from 'ibantools';
import { ISO20022, PaymentStatusReport } from 'iso20022.js';
import { readFileSync } from 'node:fs';

const [what, file] = process.argv.slice(2);
if (what === 'ibans') {
    console.log(JSON.stringify(JSON.parse(readFileSync(0, 'utf8')).map((text) => isValidIBAN(text))));
} else if (what === 'status') {
    const report = PaymentStatusReport.fromXML(readFileSync(file, 'utf8'));
    console.log(JSON.stringify(report.statusInformations));
} else {
    const party = {
        name: 'Mill',
        id: 'MILL',
        account: { iban: 'DE89370400440532013000' },
        agent: { bic: 'COBADEFFXXX', bankAddress: { country: 'DE' } },
    };
    const instructions = ['GB29NWBK60161331926819', 'GB29NWBK60161331926818'].map((iban, place) => ({
        type: 'swift',
        direction: 'credit',
        amount: 12345,
        currency: 'EUR',
        endToEndId: `RF-${place}`,
        remittanceInformation: 'x',
        creditor: {
            name: 'Shop',
            account: { iban },
            agent: { bic: 'NWBKGB2L', bankAddress: { country: 'GB' } },
            address: { country: 'GB' },
        },
    }));
    console.log(new ISO20022({ initiatingParty: party }).createSWIFTCreditPaymentInitiation(instructions).serialize());
}
