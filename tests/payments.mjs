// Independent packages of the npm registry on payments. node tests/payments.mjs ibans < [texts];
// status FILE reads a pain.002; order writes a pain.001 of its own, debits a pain.008; creditors < [texts].
import { isValidIBAN } from 'ibantools';
import { ISO20022, PaymentStatusReport } from 'iso20022.js';
import { readFileSync } from 'node:fs';
import { Document, validateCreditorID } from 'sepa';

const [what, file] = process.argv.slice(2);
if (what === 'ibans') {
    console.log(JSON.stringify(JSON.parse(readFileSync(0, 'utf8')).map((text) => isValidIBAN(text))));
} else if (what === 'status') {
    const report = PaymentStatusReport.fromXML(readFileSync(file, 'utf8'));
    console.log(JSON.stringify(report.statusInformations));
} else if (what === 'creditors') {
    console.log(JSON.stringify(JSON.parse(readFileSync(0, 'utf8')).map((text) => validateCreditorID(text))));
} else if (what === 'debits') {
    const order = new Document('pain.008.001.08');
    order.grpHdr.id = 'AJ-1';
    order.grpHdr.created = new Date();
    order.grpHdr.initiatorName = 'Mill';
    const group = order.createPaymentInfo();
    Object.assign(group, {
        batchBooking: true,
        localInstrumentation: 'CORE',
        sequenceType: 'FRST',
        collectionDate: new Date(2026, 11, 1),
        creditorId: 'DE98ZZZ09999999999',
        creditorName: 'Mill',
        creditorIBAN: 'ES7921000813610123456789',
    });
    order.addPaymentInfo(group);
    group.id = 'AJ-1-A';
    for (const [name, mandateId, debtorIBAN, amount] of [
        ['D-1', 'M-1', 'DE89370400440532013000', 123.45],
        ['D-2', 'M-2', 'GB29NWBK60161331926819', 0.01],
    ]) {
        group.addTransaction(
            Object.assign(group.createTransaction(), {
                debtorName: 'Olive Shop',
                debtorIBAN,
                mandateId,
                mandateSignatureDate: new Date(2026, 0, 15),
                amount,
                remittanceInfo: `Invoice ${name}`,
                end2endId: name,
            }),
        );
    }
    console.log(order.toString());
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
