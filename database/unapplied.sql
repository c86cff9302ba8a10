-- The matches that one run posted.
CREATE TABLE run_settlements (
    run_id INTEGER NOT NULL REFERENCES runs (id),
    settlement_id INTEGER PRIMARY KEY REFERENCES settlements (id)
);
CREATE INDEX run_settlements_run ON run_settlements (run_id);

-- Why a customer's receipts and credits stay loose. The last one holds until the day to look again.
CREATE TABLE loose_reasons (
    id INTEGER PRIMARY KEY,
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    reason TEXT NOT NULL,
    look_again TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX loose_reasons_customer ON loose_reasons (customer_id);

-- Credits that were paid back, and the order by which the bank was asked to.
CREATE TABLE payment_orders (
    id INTEGER PRIMARY KEY,
    message TEXT NOT NULL UNIQUE,
    file TEXT NOT NULL,
    answer TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE refunds (
    id INTEGER PRIMARY KEY,
    credit_item_id INTEGER REFERENCES items (id), -- null: paid before its credit note
    item_id INTEGER NOT NULL UNIQUE REFERENCES items (id),
    voucher_id INTEGER NOT NULL REFERENCES vouchers (id),
    settlement_id INTEGER REFERENCES settlements (id),
    way TEXT NOT NULL CHECK (way IN ('transfer', 'cheque', 'cash')),
    paid INTEGER NOT NULL CHECK (paid > 0), -- in the item's currency, with the tax of a deposit
    payee TEXT NOT NULL,
    iban TEXT NOT NULL,
    iban_changed_at TEXT NOT NULL,  -- when the account number is new: the reviewer approves before it is ordered; else blank
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE refunds_approved (
    refund_id INTEGER PRIMARY KEY REFERENCES refunds (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE refunds_ordered (
    refund_id INTEGER PRIMARY KEY REFERENCES refunds (id),
    order_id INTEGER NOT NULL REFERENCES payment_orders (id),
    status TEXT NOT NULL,           -- as the bank answered: accepted or rejected
    why TEXT NOT NULL
);
-- Credit notes made here, over lines of invoices or lines of their own. Amounts without tax, in the document's currency.
CREATE TABLE credit_notes (
    id INTEGER PRIMARY KEY,
    item_id INTEGER NOT NULL UNIQUE REFERENCES items (id),
    voucher_id INTEGER NOT NULL REFERENCES vouchers (id),
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE credit_note_lines (
    credit_note_id INTEGER NOT NULL REFERENCES credit_notes (id),
    place INTEGER NOT NULL,
    invoice_item_id INTEGER REFERENCES items (id), -- null: a line of its own
    line TEXT NOT NULL,
    description TEXT NOT NULL,
    net INTEGER NOT NULL CHECK (net > 0),
    rate TEXT NOT NULL,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    dimension TEXT NOT NULL,
    PRIMARY KEY (credit_note_id, place)
) WITHOUT ROWID;
CREATE INDEX credit_note_lines_invoice ON credit_note_lines (invoice_item_id) WHERE invoice_item_id IS NOT NULL;
CREATE TRIGGER credit_notes_keep BEFORE UPDATE ON credit_notes BEGIN SELECT RAISE(ABORT, 'a credit note is never changed'); END;
CREATE TRIGGER credit_notes_stay BEFORE DELETE ON credit_notes BEGIN SELECT RAISE(ABORT, 'a credit note is never deleted'); END;
CREATE TRIGGER refunds_keep BEFORE UPDATE ON refunds BEGIN SELECT RAISE(ABORT, 'a refund is never changed'); END;
CREATE TRIGGER refunds_stay BEFORE DELETE ON refunds BEGIN SELECT RAISE(ABORT, 'a refund is never deleted'); END;
CREATE TRIGGER payment_orders_keep BEFORE UPDATE ON payment_orders BEGIN SELECT RAISE(ABORT, 'a payment order is never changed'); END;
CREATE TRIGGER payment_orders_stay BEFORE DELETE ON payment_orders BEGIN SELECT RAISE(ABORT, 'a payment order is never deleted'); END;

CREATE TRIGGER run_settlements_keep BEFORE UPDATE ON run_settlements BEGIN SELECT RAISE(ABORT, 'a posted run is never changed'); END;
CREATE TRIGGER run_settlements_stay BEFORE DELETE ON run_settlements BEGIN SELECT RAISE(ABORT, 'a posted run is never deleted'); END;
CREATE TRIGGER loose_reasons_keep BEFORE UPDATE ON loose_reasons BEGIN SELECT RAISE(ABORT, 'a reason is never changed'); END;
CREATE TRIGGER loose_reasons_stay BEFORE DELETE ON loose_reasons BEGIN SELECT RAISE(ABORT, 'a reason is never deleted'); END;

-- A document that was taken back and the one that does it: both stay.
CREATE TABLE item_reversals (
    item_id INTEGER PRIMARY KEY REFERENCES items (id),
    by_item_id INTEGER NOT NULL UNIQUE REFERENCES items (id),
    date TEXT NOT NULL,
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TRIGGER item_reversals_keep BEFORE UPDATE ON item_reversals BEGIN SELECT RAISE(ABORT, 'a posted reversal is never changed'); END;
CREATE TRIGGER item_reversals_stay BEFORE DELETE ON item_reversals BEGIN SELECT RAISE(ABORT, 'a posted reversal is never deleted'); END;
