-- Money that came in --------------------------------------------------------------------------------------------------

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

-- Receipts typed together: cheques, cash or transfers that are paid in with a declared total. A receipt typed singly has none.
CREATE TABLE batches (
    id INTEGER PRIMARY KEY,
    reference TEXT NOT NULL UNIQUE,
    way TEXT NOT NULL CHECK (way IN ('cheque', 'cash', 'transfer')),
    account_id INTEGER NOT NULL REFERENCES accounts (id), -- the money account
    date TEXT NOT NULL,
    currency TEXT NOT NULL,
    declared INTEGER NOT NULL CHECK (declared > 0),
    as_one INTEGER NOT NULL,        -- one sum on the money account, or one by one
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE batch_postings (
    batch_id INTEGER PRIMARY KEY REFERENCES batches (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- A movement of money: a line of a statement, a receipt typed by hand, or a part of either that has an owner of its own.
CREATE TABLE money_lines (
    id INTEGER PRIMARY KEY,
    statement_id INTEGER REFERENCES bank_statements (id),
    batch_id INTEGER REFERENCES batches (id),
    divided_by INTEGER REFERENCES placements (id), -- the placement by which another line was divided, this one being a part of it
    place INTEGER NOT NULL,
    way TEXT NOT NULL CHECK (way IN ('statement', 'cheque', 'cash', 'transfer')),
    account_id INTEGER NOT NULL REFERENCES accounts (id), -- the money account
    booking_date TEXT NOT NULL,
    value_date TEXT NOT NULL,
    currency TEXT NOT NULL,
    amount INTEGER NOT NULL,
    charges INTEGER NOT NULL DEFAULT 0,
    reference TEXT NOT NULL,
    end_to_end TEXT NOT NULL DEFAULT '',
    party TEXT NOT NULL DEFAULT '',
    party_account TEXT NOT NULL DEFAULT '',
    remittance TEXT NOT NULL DEFAULT '',
    is_reversal INTEGER NOT NULL DEFAULT 0,
    customer_id INTEGER REFERENCES customers (id), -- where a person said whose it is
    CHECK ((way = 'statement') = (statement_id IS NOT NULL)),
    CHECK (statement_id IS NULL OR batch_id IS NULL)
);
CREATE UNIQUE INDEX money_lines_place ON money_lines (coalesce(statement_id, 0), coalesce(batch_id, 0), coalesce(divided_by, 0), place);
CREATE INDEX money_lines_booking ON money_lines (booking_date);
CREATE INDEX money_lines_batch ON money_lines (batch_id) WHERE batch_id IS NOT NULL;
CREATE INDEX money_lines_part ON money_lines (divided_by) WHERE divided_by IS NOT NULL;

-- Where a line was put. At most one placement of a line stands; one that was taken back stays visible.
CREATE TABLE placements (
    id INTEGER PRIMARY KEY,
    line_id INTEGER NOT NULL REFERENCES money_lines (id),
    kind TEXT NOT NULL CHECK (kind IN ('receipt', 'accounts', 'not_receivables', 'divided', 'confirmed', 'returned')),
    item_id INTEGER REFERENCES items (id),       -- the receipt or deposit that it became, or that came back
    posting_id INTEGER REFERENCES postings (id), -- what it confirms
    voucher_id INTEGER REFERENCES vouchers (id),
    reason TEXT NOT NULL DEFAULT '',
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    CHECK (kind NOT IN ('receipt', 'returned') OR item_id IS NOT NULL),
    CHECK ((kind = 'confirmed') = (posting_id IS NOT NULL))
);
CREATE INDEX placements_line ON placements (line_id);
CREATE INDEX placements_item ON placements (item_id) WHERE item_id IS NOT NULL;
CREATE INDEX placements_posting ON placements (posting_id) WHERE posting_id IS NOT NULL;
CREATE TABLE placement_reversals (
    placement_id INTEGER PRIMARY KEY REFERENCES placements (id),
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- What a person has put together for a line and not posted. It holds nothing and blocks nothing.
CREATE TABLE receipt_drafts (
    line_id INTEGER PRIMARY KEY REFERENCES money_lines (id),
    request TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- Which customer a person said a payer is. Can be forgotten.
CREATE TABLE payers (
    name TEXT NOT NULL,
    bank_account TEXT NOT NULL,
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    recorded_at TEXT NOT NULL,
    PRIMARY KEY (name, bank_account)
) WITHOUT ROWID;

-- Lines with these words are not receivables.
CREATE TABLE set_aside_rules (
    id INTEGER PRIMARY KEY,
    words TEXT NOT NULL,
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    withdrawn_at TEXT
);

-- Deductions, discounts, deposits -------------------------------------------------------------------------------------

CREATE TABLE deduction_reasons (
    id INTEGER PRIMARY KEY,
    code TEXT NOT NULL UNIQUE,
    words TEXT NOT NULL,
    account_id INTEGER REFERENCES accounts (id), -- null: contested
    tax_relief INTEGER NOT NULL,
    rate TEXT NOT NULL DEFAULT '',
    names_invoice INTEGER NOT NULL,
    retired_at TEXT
);

CREATE TABLE contested (
    id INTEGER PRIMARY KEY,
    item_id INTEGER NOT NULL REFERENCES items (id),
    reason_id INTEGER NOT NULL REFERENCES deduction_reasons (id),
    amount INTEGER NOT NULL CHECK (amount > 0), -- in the item's currency
    owner TEXT NOT NULL,
    date TEXT NOT NULL,
    settlement_id INTEGER REFERENCES settlements (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX contested_item ON contested (item_id);
CREATE TABLE contested_ends (
    contested_id INTEGER PRIMARY KEY REFERENCES contested (id),
    reason TEXT NOT NULL,
    date TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- The lines of an invoice that a match was meant for.
CREATE TABLE matched_lines (
    settlement_id INTEGER NOT NULL REFERENCES settlements (id),
    item_id INTEGER NOT NULL REFERENCES items (id),
    line TEXT NOT NULL,
    PRIMARY KEY (settlement_id, item_id, line)
) WITHOUT ROWID;

-- The last decision on an invoice holds.
CREATE TABLE discount_decisions (
    id INTEGER PRIMARY KEY,
    item_id INTEGER NOT NULL REFERENCES items (id),
    choice TEXT NOT NULL CHECK (choice IN ('grant', 'deny', 'until')),
    until TEXT NOT NULL DEFAULT '',
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX discount_decisions_item ON discount_decisions (item_id);

-- Tax that was due when a deposit was paid, in base currency.
CREATE TABLE deposit_taxes (
    item_id INTEGER PRIMARY KEY REFERENCES items (id),
    rate TEXT NOT NULL,
    tax INTEGER NOT NULL CHECK (tax > 0)
);

-- Messages of the simulated mail service; each is kept as a file.
CREATE TABLE outbox (
    id INTEGER PRIMARY KEY,
    recipient TEXT NOT NULL,
    subject TEXT NOT NULL,
    body TEXT NOT NULL,
    about TEXT NOT NULL,
    file TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

CREATE TRIGGER bank_statements_keep BEFORE UPDATE ON bank_statements BEGIN SELECT RAISE(ABORT, 'a bank statement is never changed'); END;
CREATE TRIGGER bank_statements_stay BEFORE DELETE ON bank_statements BEGIN SELECT RAISE(ABORT, 'a bank statement is never deleted'); END;
CREATE TRIGGER money_lines_keep BEFORE UPDATE ON money_lines
WHEN OLD.statement_id IS NOT NULL OR EXISTS (SELECT 1 FROM placements WHERE line_id = OLD.id)
BEGIN SELECT RAISE(ABORT, 'a line of a statement, or one that was placed, is never changed'); END;
CREATE TRIGGER money_lines_stay BEFORE DELETE ON money_lines
WHEN OLD.statement_id IS NOT NULL OR EXISTS (SELECT 1 FROM placements WHERE line_id = OLD.id)
BEGIN SELECT RAISE(ABORT, 'a line of a statement, or one that was placed, is never deleted'); END;
CREATE TRIGGER batches_keep BEFORE UPDATE ON batches WHEN EXISTS (SELECT 1 FROM batch_postings WHERE batch_id = OLD.id)
BEGIN SELECT RAISE(ABORT, 'a posted batch is never changed'); END;
CREATE TRIGGER batches_stay BEFORE DELETE ON batches WHEN EXISTS (SELECT 1 FROM batch_postings WHERE batch_id = OLD.id)
BEGIN SELECT RAISE(ABORT, 'a posted batch is never deleted'); END;
CREATE TRIGGER placements_once BEFORE INSERT ON placements
WHEN EXISTS (SELECT 1 FROM placements p WHERE p.line_id = NEW.line_id AND NOT EXISTS (SELECT 1 FROM placement_reversals r WHERE r.placement_id = p.id))
BEGIN SELECT RAISE(ABORT, 'a line is placed once'); END;
CREATE TRIGGER placements_confirm_once BEFORE INSERT ON placements
WHEN NEW.posting_id IS NOT NULL AND EXISTS (SELECT 1 FROM placements p WHERE p.posting_id = NEW.posting_id AND NOT EXISTS (SELECT 1 FROM placement_reversals r WHERE r.placement_id = p.id))
BEGIN SELECT RAISE(ABORT, 'a posting is confirmed once'); END;
CREATE TRIGGER placements_keep BEFORE UPDATE ON placements BEGIN SELECT RAISE(ABORT, 'a placement is never changed'); END;
CREATE TRIGGER placements_stay BEFORE DELETE ON placements BEGIN SELECT RAISE(ABORT, 'a placement is never deleted'); END;
CREATE TRIGGER placement_reversals_keep BEFORE UPDATE ON placement_reversals BEGIN SELECT RAISE(ABORT, 'a reversal is never changed'); END;
CREATE TRIGGER placement_reversals_stay BEFORE DELETE ON placement_reversals BEGIN SELECT RAISE(ABORT, 'a reversal is never deleted'); END;
CREATE TRIGGER contested_keep BEFORE UPDATE ON contested BEGIN SELECT RAISE(ABORT, 'a contested mark is never changed'); END;
CREATE TRIGGER contested_stay BEFORE DELETE ON contested BEGIN SELECT RAISE(ABORT, 'a contested mark is never deleted'); END;
CREATE TRIGGER discount_decisions_keep BEFORE UPDATE ON discount_decisions BEGIN SELECT RAISE(ABORT, 'a decision is never changed'); END;
CREATE TRIGGER discount_decisions_stay BEFORE DELETE ON discount_decisions BEGIN SELECT RAISE(ABORT, 'a decision is never deleted'); END;
CREATE TRIGGER deposit_taxes_keep BEFORE UPDATE ON deposit_taxes BEGIN SELECT RAISE(ABORT, 'a tax that was posted is never changed'); END;
CREATE TRIGGER deposit_taxes_stay BEFORE DELETE ON deposit_taxes BEGIN SELECT RAISE(ABORT, 'a tax that was posted is never deleted'); END;
