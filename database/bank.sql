-- What the bank says ---------------------------------------------------------------------------------------------------

CREATE TABLE bank_statements (
    id INTEGER PRIMARY KEY,
    import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    account_id INTEGER NOT NULL REFERENCES accounts (id), -- the ledger's bank account
    bank_account TEXT NOT NULL,
    currency TEXT NOT NULL,
    number TEXT NOT NULL,
    opening INTEGER,                -- null on a notification
    closing INTEGER,
    opening_date TEXT NOT NULL,
    closing_date TEXT NOT NULL,
    UNIQUE (bank_account, currency, number, closing_date)
);

CREATE TABLE bank_lines (
    id INTEGER PRIMARY KEY,
    statement_id INTEGER NOT NULL REFERENCES bank_statements (id),
    place INTEGER NOT NULL,
    booking_date TEXT NOT NULL,
    value_date TEXT NOT NULL,
    currency TEXT NOT NULL,
    amount INTEGER NOT NULL,
    charges INTEGER NOT NULL DEFAULT 0,
    reference TEXT NOT NULL,
    end_to_end TEXT NOT NULL,
    party TEXT NOT NULL,
    party_account TEXT NOT NULL,
    remittance TEXT NOT NULL,
    is_reversal INTEGER NOT NULL,
    UNIQUE (statement_id, place)
);
CREATE INDEX bank_lines_booking ON bank_lines (booking_date);

-- Where a line was put: a receipt of a customer, or out of the way.
CREATE TABLE bank_placements (
    line_id INTEGER PRIMARY KEY REFERENCES bank_lines (id),
    kind TEXT NOT NULL CHECK (kind IN ('receipt', 'not_receivables')),
    item_id INTEGER REFERENCES items (id),
    reason TEXT NOT NULL DEFAULT '',
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    CHECK ((kind = 'receipt') = (item_id IS NOT NULL))
);

-- Which customer a person said a payer is.
CREATE TABLE payers (
    name TEXT NOT NULL,
    bank_account TEXT NOT NULL,
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    recorded_at TEXT NOT NULL,
    PRIMARY KEY (name, bank_account)
) WITHOUT ROWID;

CREATE TRIGGER bank_statements_keep BEFORE UPDATE ON bank_statements BEGIN SELECT RAISE(ABORT, 'a bank statement is never changed'); END;
CREATE TRIGGER bank_statements_stay BEFORE DELETE ON bank_statements BEGIN SELECT RAISE(ABORT, 'a bank statement is never deleted'); END;
CREATE TRIGGER bank_lines_keep BEFORE UPDATE ON bank_lines BEGIN SELECT RAISE(ABORT, 'a bank line is never changed'); END;
CREATE TRIGGER bank_lines_stay BEFORE DELETE ON bank_lines BEGIN SELECT RAISE(ABORT, 'a bank line is never deleted'); END;
CREATE TRIGGER bank_placements_keep BEFORE UPDATE ON bank_placements BEGIN SELECT RAISE(ABORT, 'a placement is never changed'); END;
CREATE TRIGGER bank_placements_stay BEFORE DELETE ON bank_placements BEGIN SELECT RAISE(ABORT, 'a placement is never deleted'); END;
