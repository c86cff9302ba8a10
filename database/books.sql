-- People and policies ------------------------------------------------------------------------------------------------

CREATE TABLE users (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    email TEXT NOT NULL UNIQUE,
    password TEXT NOT NULL,
    role TEXT NOT NULL CHECK (role IN ('preparer', 'reviewer', 'reader')),
    remember_token TEXT
);

CREATE TABLE settings (
    id INTEGER PRIMARY KEY,
    name TEXT NOT NULL,
    value TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX settings_name ON settings (name, id);

-- The days through `through` are locked.
CREATE TABLE period_locks (
    id INTEGER PRIMARY KEY,
    through TEXT NOT NULL,
    user_id INTEGER REFERENCES users (id),
    recorded_at TEXT NOT NULL
);

-- A key from a form or command that has been carried out, and what came of it.
CREATE TABLE posting_keys (
    key TEXT PRIMARY KEY,
    result TEXT NOT NULL,
    recorded_at TEXT NOT NULL
) WITHOUT ROWID;

-- Each record carries the digest of the one before.
CREATE TABLE audit_records (
    id INTEGER PRIMARY KEY,
    recorded_at TEXT NOT NULL,
    who TEXT NOT NULL,
    what TEXT NOT NULL,
    subject TEXT NOT NULL,
    why TEXT NOT NULL,
    details TEXT NOT NULL,
    source TEXT NOT NULL,
    previous TEXT NOT NULL,
    digest TEXT NOT NULL UNIQUE
);
CREATE INDEX audit_subject ON audit_records (subject);

-- Imports ------------------------------------------------------------------------------------------------------------

CREATE TABLE imports (
    id INTEGER PRIMARY KEY,
    source TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

CREATE TABLE import_files (
    id INTEGER PRIMARY KEY,
    import_id INTEGER NOT NULL REFERENCES imports (id) DEFERRABLE INITIALLY DEFERRED,
    name TEXT NOT NULL,
    kind TEXT NOT NULL,
    sha256 TEXT NOT NULL,
    bytes INTEGER NOT NULL,
    report TEXT NOT NULL,           -- the file's line of the import report, JSON
    first_date TEXT,
    last_date TEXT
);
CREATE INDEX import_files_import ON import_files (import_id);

-- Rows that a person set aside; they stay open in Intake until a later import brings them in good order or a person closes them.
CREATE TABLE rows_set_aside (
    id INTEGER PRIMARY KEY,
    import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    row INTEGER NOT NULL,
    field TEXT NOT NULL,
    value TEXT NOT NULL,
    expected TEXT NOT NULL,
    line TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE rows_closed (
    row_id INTEGER PRIMARY KEY REFERENCES rows_set_aside (id),
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- How files of one shape are read, as a person last decided.
CREATE TABLE mappings (
    shape TEXT PRIMARY KEY,
    mapping TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- Accounts and parties -----------------------------------------------------------------------------------------------

CREATE TABLE accounts (
    id INTEGER PRIMARY KEY,
    account TEXT NOT NULL UNIQUE,
    name TEXT NOT NULL,
    type TEXT NOT NULL,
    role TEXT,
    currency TEXT
);

CREATE TABLE suppliers (
    id INTEGER PRIMARY KEY,
    supplier TEXT NOT NULL UNIQUE,
    name TEXT NOT NULL,
    currency TEXT NOT NULL,
    control_account_id INTEGER REFERENCES accounts (id),
    iban TEXT NOT NULL DEFAULT ''
);

CREATE TABLE customers (
    id INTEGER PRIMARY KEY,
    customer TEXT NOT NULL UNIQUE,
    name TEXT NOT NULL,
    trading_name TEXT NOT NULL DEFAULT '',
    currency TEXT NOT NULL,
    terms TEXT NOT NULL DEFAULT '',
    control_account_id INTEGER REFERENCES accounts (id),
    supplier_id INTEGER REFERENCES suppliers (id),
    customer_group TEXT NOT NULL DEFAULT '',
    iban TEXT NOT NULL DEFAULT '',
    email TEXT NOT NULL DEFAULT '',
    tax_id TEXT NOT NULL DEFAULT '',
    country TEXT NOT NULL DEFAULT '',
    credit_limit INTEGER
);

-- The account numbers that a customer had, each since it was handed in.
CREATE TABLE customer_ibans (
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    iban TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    PRIMARY KEY (customer_id, recorded_at)
) WITHOUT ROWID;

CREATE TABLE agreements (
    id INTEGER PRIMARY KEY,
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    supplier_id INTEGER NOT NULL REFERENCES suppliers (id),
    reference TEXT NOT NULL,
    from_date TEXT NOT NULL,
    to_date TEXT NOT NULL DEFAULT '',
    currency TEXT NOT NULL,
    scope TEXT NOT NULL CHECK (scope IN ('due', 'all')),
    UNIQUE (customer_id, supplier_id, reference, currency)
);

CREATE TABLE rates (
    id INTEGER PRIMARY KEY,
    date TEXT NOT NULL,
    currency TEXT NOT NULL,
    rate TEXT NOT NULL,
    quoted TEXT NOT NULL,
    UNIQUE (currency, date)
);

CREATE TABLE supplier_items (
    id INTEGER PRIMARY KEY,
    document TEXT NOT NULL,
    kind TEXT NOT NULL CHECK (kind IN ('bill', 'bill_credit', 'payment')),
    supplier_id INTEGER NOT NULL REFERENCES suppliers (id),
    occurrence INTEGER NOT NULL,
    date TEXT NOT NULL,
    due_date TEXT NOT NULL,
    currency TEXT NOT NULL,
    amount INTEGER NOT NULL CHECK (amount > 0),
    base INTEGER NOT NULL CHECK (base >= 0),
    open INTEGER NOT NULL CHECK (open BETWEEN 0 AND amount),
    reference TEXT NOT NULL DEFAULT '',
    UNIQUE (supplier_id, document, kind, occurrence)
);

-- Posted: vouchers and ledger postings ---------------------------------------------------------------------------------

CREATE TABLE runs (
    id INTEGER PRIMARY KEY,
    kind TEXT NOT NULL,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    as_of TEXT NOT NULL,
    policy TEXT NOT NULL,
    total INTEGER NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX runs_kind ON runs (kind, account_id, as_of);

CREATE TABLE run_lines (
    id INTEGER PRIMARY KEY,
    run_id INTEGER NOT NULL REFERENCES runs (id),
    customer_id INTEGER REFERENCES customers (id),
    item_id INTEGER REFERENCES items (id),
    currency TEXT NOT NULL,
    amount INTEGER NOT NULL,
    base INTEGER NOT NULL,
    why TEXT NOT NULL
);
CREATE INDEX run_lines_run ON run_lines (run_id, customer_id);

CREATE TABLE run_reversals (
    run_id INTEGER PRIMARY KEY REFERENCES runs (id),
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- One decision of a person: items of one customer tied together on one day.
CREATE TABLE settlements (
    id INTEGER PRIMARY KEY,
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    date TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- The lines of a voucher are written first and the voucher last: the trigger `vouchers_balance` then sees them all, and the deferred
-- reference refuses lines that never got their voucher.
CREATE TABLE vouchers (
    id INTEGER PRIMARY KEY,
    number TEXT NOT NULL UNIQUE,
    date TEXT NOT NULL,
    text TEXT NOT NULL,
    run_id INTEGER REFERENCES runs (id),
    settlement_id INTEGER REFERENCES settlements (id),
    reverses_id INTEGER UNIQUE REFERENCES vouchers (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX vouchers_run ON vouchers (run_id);
CREATE INDEX vouchers_settlement ON vouchers (settlement_id);

CREATE TABLE postings (
    id INTEGER PRIMARY KEY,
    voucher_id INTEGER REFERENCES vouchers (id) DEFERRABLE INITIALLY DEFERRED,
    import_file_id INTEGER REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    source_row INTEGER,
    entry TEXT NOT NULL,
    occurrence INTEGER NOT NULL,    -- place among the lines of this entry on this account
    version INTEGER NOT NULL DEFAULT 1,
    date TEXT NOT NULL,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    base INTEGER NOT NULL,
    description TEXT NOT NULL DEFAULT '',
    document TEXT NOT NULL DEFAULT '',
    customer TEXT NOT NULL DEFAULT '',
    reference TEXT NOT NULL DEFAULT '',
    source TEXT NOT NULL DEFAULT '',
    batch TEXT NOT NULL DEFAULT '',
    currency TEXT NOT NULL DEFAULT '',
    currency_amount INTEGER,
    recorded_at TEXT NOT NULL,
    superseded_at TEXT,
    CHECK ((voucher_id IS NULL) <> (import_file_id IS NULL)),
    UNIQUE (entry, account_id, occurrence, version)
);
CREATE INDEX postings_account_document ON postings (account_id, document);
CREATE INDEX postings_account_date ON postings (account_id, date);
CREATE INDEX postings_document ON postings (document) WHERE document <> '';
CREATE INDEX postings_voucher ON postings (voucher_id) WHERE voucher_id IS NOT NULL;

CREATE TABLE voucher_confirmations (
    voucher_id INTEGER PRIMARY KEY REFERENCES vouchers (id),
    import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    recorded_at TEXT NOT NULL
);

CREATE TABLE journal_exports (
    id INTEGER PRIMARY KEY,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE exported_vouchers (
    export_id INTEGER NOT NULL REFERENCES journal_exports (id),
    voucher_id INTEGER NOT NULL REFERENCES vouchers (id),
    PRIMARY KEY (voucher_id, export_id)
) WITHOUT ROWID;

-- Posted: items and matches ---------------------------------------------------------------------------------------------

CREATE TABLE items (
    id INTEGER PRIMARY KEY,
    root_id INTEGER NOT NULL,       -- the first version of this item; matches name it
    version INTEGER NOT NULL DEFAULT 1,
    document TEXT NOT NULL,
    kind TEXT NOT NULL,
    customer_id INTEGER NOT NULL REFERENCES customers (id),
    occurrence INTEGER NOT NULL,    -- place among the items with this document, kind and customer
    side TEXT NOT NULL CHECK (side IN ('debit', 'credit')),
    date TEXT NOT NULL,
    due_date TEXT NOT NULL,
    currency TEXT NOT NULL,
    amount INTEGER NOT NULL CHECK (amount >= 0),
    base INTEGER NOT NULL CHECK (base >= 0),
    control_account_id INTEGER NOT NULL REFERENCES accounts (id),
    reference TEXT NOT NULL DEFAULT '',
    entry TEXT NOT NULL DEFAULT '',
    batch TEXT NOT NULL DEFAULT '',
    terms TEXT NOT NULL DEFAULT '',
    source_item_id INTEGER,         -- what an exchange difference corrects
    voucher_id INTEGER REFERENCES vouchers (id),
    import_file_id INTEGER REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    source_row INTEGER,
    recorded_at TEXT NOT NULL,
    superseded_at TEXT,
    CHECK ((voucher_id IS NULL) <> (import_file_id IS NULL)),
    CHECK ((amount = 0) = (kind = 'exchange_difference')),
    UNIQUE (document, kind, customer_id, occurrence, version)
);
CREATE INDEX items_account_document ON items (control_account_id, document);
CREATE INDEX items_account_date ON items (control_account_id, date);
CREATE INDEX items_customer ON items (customer_id, date);
CREATE INDEX items_root ON items (root_id);
CREATE INDEX items_voucher ON items (voucher_id) WHERE voucher_id IS NOT NULL;
CREATE INDEX items_source ON items (source_item_id) WHERE source_item_id IS NOT NULL;

CREATE TABLE item_lines (
    id INTEGER PRIMARY KEY,
    document TEXT NOT NULL,
    line TEXT NOT NULL,
    description TEXT NOT NULL,
    quantity TEXT NOT NULL,
    unit_price TEXT NOT NULL,
    net INTEGER NOT NULL,           -- in the document's currency
    tax_rate TEXT NOT NULL,
    account_id INTEGER REFERENCES accounts (id),
    import_file_id INTEGER NOT NULL REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    UNIQUE (document, line)
);

CREATE TABLE matches (
    id INTEGER PRIMARY KEY,
    settlement_id INTEGER REFERENCES settlements (id),
    import_file_id INTEGER REFERENCES import_files (id) DEFERRABLE INITIALLY DEFERRED,
    source_row INTEGER,
    date TEXT NOT NULL,
    debit_item_id INTEGER NOT NULL REFERENCES items (id),
    credit_item_id INTEGER NOT NULL REFERENCES items (id),
    amount INTEGER NOT NULL CHECK (amount >= 0), -- 0 where only base moves (an exchange difference that it used up)
    debit_base INTEGER NOT NULL,
    credit_base INTEGER NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX matches_debit ON matches (debit_item_id, date);
CREATE INDEX matches_credit ON matches (credit_item_id, date);
CREATE INDEX matches_settlement ON matches (settlement_id) WHERE settlement_id IS NOT NULL;

CREATE TABLE match_reversals (
    match_id INTEGER PRIMARY KEY REFERENCES matches (id),
    date TEXT NOT NULL,
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- Derived ------------------------------------------------------------------------------------------------------------

-- One row for each item. `row_id` is its version in force. `settled_on`: the day from which on nothing is open; null while something is.
CREATE TABLE item_positions (
    item_id INTEGER PRIMARY KEY REFERENCES items (id),
    row_id INTEGER NOT NULL REFERENCES items (id),
    control_account_id INTEGER NOT NULL,
    customer_id INTEGER NOT NULL,
    amount INTEGER NOT NULL,
    matched INTEGER NOT NULL DEFAULT 0 CHECK (matched BETWEEN 0 AND amount),
    moved INTEGER NOT NULL DEFAULT 0,
    last_moved_on TEXT NOT NULL DEFAULT '',
    settled_on TEXT
);
CREATE INDEX positions_account ON item_positions (control_account_id, settled_on);
CREATE INDEX positions_customer ON item_positions (customer_id, settled_on);

-- Sums by account and day, for accounts that carry customers. Own vouchers are in `ledger` too.
CREATE TABLE control_days (
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    date TEXT NOT NULL,
    ledger INTEGER NOT NULL DEFAULT 0,
    items INTEGER NOT NULL DEFAULT 0,
    PRIMARY KEY (account_id, date)
) WITHOUT ROWID;

-- What is posted stays ---------------------------------------------------------------------------------------------------

CREATE TRIGGER vouchers_balance BEFORE INSERT ON vouchers
WHEN (SELECT count(*) < 2 OR coalesce(sum(base), 0) <> 0 FROM postings WHERE voucher_id = NEW.id)
BEGIN SELECT RAISE(ABORT, 'a voucher has at least two lines and its debits equal its credits'); END;

CREATE TRIGGER postings_late BEFORE INSERT ON postings
WHEN NEW.voucher_id IS NOT NULL AND EXISTS (SELECT 1 FROM vouchers WHERE id = NEW.voucher_id)
BEGIN SELECT RAISE(ABORT, 'a posted voucher takes no further line'); END;

CREATE TRIGGER postings_keep BEFORE UPDATE ON postings
WHEN NOT (OLD.superseded_at IS NULL AND NEW.superseded_at IS NOT NULL AND OLD.voucher_id IS NULL)
BEGIN SELECT RAISE(ABORT, 'a posted line is never changed'); END;
CREATE TRIGGER postings_figures BEFORE UPDATE OF id, voucher_id, import_file_id, source_row, entry, occurrence, version, date, account_id, base, description, document, customer, reference, source, batch, currency, currency_amount, recorded_at ON postings
BEGIN SELECT RAISE(ABORT, 'a posted line is never changed'); END;
CREATE TRIGGER postings_stay BEFORE DELETE ON postings
BEGIN SELECT RAISE(ABORT, 'a posted line is never deleted'); END;

CREATE TRIGGER items_keep BEFORE UPDATE ON items
WHEN NOT (OLD.superseded_at IS NULL AND NEW.superseded_at IS NOT NULL AND OLD.voucher_id IS NULL)
BEGIN SELECT RAISE(ABORT, 'a posted item is never changed'); END;
CREATE TRIGGER items_figures BEFORE UPDATE OF id, root_id, version, document, kind, customer_id, occurrence, side, date, due_date, currency, amount, base, control_account_id, reference, entry, batch, terms, source_item_id, voucher_id, import_file_id, source_row, recorded_at ON items
BEGIN SELECT RAISE(ABORT, 'a posted item is never changed'); END;
CREATE TRIGGER items_stay BEFORE DELETE ON items
BEGIN SELECT RAISE(ABORT, 'a posted item is never deleted'); END;

CREATE TRIGGER vouchers_keep BEFORE UPDATE ON vouchers BEGIN SELECT RAISE(ABORT, 'a posted voucher is never changed'); END;
CREATE TRIGGER vouchers_stay BEFORE DELETE ON vouchers BEGIN SELECT RAISE(ABORT, 'a posted voucher is never deleted'); END;
CREATE TRIGGER matches_keep BEFORE UPDATE ON matches BEGIN SELECT RAISE(ABORT, 'a posted match is never changed'); END;
CREATE TRIGGER matches_stay BEFORE DELETE ON matches BEGIN SELECT RAISE(ABORT, 'a posted match is never deleted'); END;
CREATE TRIGGER match_reversals_keep BEFORE UPDATE ON match_reversals BEGIN SELECT RAISE(ABORT, 'a posted reversal is never changed'); END;
CREATE TRIGGER match_reversals_stay BEFORE DELETE ON match_reversals BEGIN SELECT RAISE(ABORT, 'a posted reversal is never deleted'); END;
CREATE TRIGGER settlements_keep BEFORE UPDATE ON settlements BEGIN SELECT RAISE(ABORT, 'a settlement is never changed'); END;
CREATE TRIGGER settlements_stay BEFORE DELETE ON settlements BEGIN SELECT RAISE(ABORT, 'a settlement is never deleted'); END;
CREATE TRIGGER runs_keep BEFORE UPDATE ON runs BEGIN SELECT RAISE(ABORT, 'a posted run is never changed'); END;
CREATE TRIGGER runs_stay BEFORE DELETE ON runs BEGIN SELECT RAISE(ABORT, 'a posted run is never deleted'); END;
CREATE TRIGGER run_lines_keep BEFORE UPDATE ON run_lines BEGIN SELECT RAISE(ABORT, 'a posted run is never changed'); END;
CREATE TRIGGER run_lines_stay BEFORE DELETE ON run_lines BEGIN SELECT RAISE(ABORT, 'a posted run is never deleted'); END;
CREATE TRIGGER run_reversals_keep BEFORE UPDATE ON run_reversals BEGIN SELECT RAISE(ABORT, 'a posted reversal is never changed'); END;
CREATE TRIGGER run_reversals_stay BEFORE DELETE ON run_reversals BEGIN SELECT RAISE(ABORT, 'a posted reversal is never deleted'); END;
CREATE TRIGGER audit_keep BEFORE UPDATE ON audit_records BEGIN SELECT RAISE(ABORT, 'the audit trail is never changed'); END;
CREATE TRIGGER audit_stay BEFORE DELETE ON audit_records BEGIN SELECT RAISE(ABORT, 'the audit trail is never deleted'); END;
