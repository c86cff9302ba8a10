-- A cause that a person carries with a reason. It holds while the cause and its amount stay what they were, through the last day of the period in which it was carried.
CREATE TABLE carried_causes (
    id INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    cause_key TEXT NOT NULL,
    amount INTEGER NOT NULL,
    through TEXT NOT NULL,
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX carried_causes_account ON carried_causes (account_id, cause_key);
CREATE TABLE carried_causes_withdrawn (
    carried_id INTEGER PRIMARY KEY REFERENCES carried_causes (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TRIGGER carried_causes_keep BEFORE UPDATE ON carried_causes BEGIN SELECT RAISE(ABORT, 'a carried cause is never changed'); END;
CREATE TRIGGER carried_causes_stay BEFORE DELETE ON carried_causes BEGIN SELECT RAISE(ABORT, 'a carried cause is never deleted'); END;

-- What persons said about which lines belong together, or have no counterpart. A posting is known by its entry, so that a later version of it keeps its pair.
CREATE TABLE hand_pairs (
    id INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    together INTEGER NOT NULL,
    reason TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TABLE hand_pair_lines (
    hand_pair_id INTEGER NOT NULL REFERENCES hand_pairs (id),
    item_id INTEGER REFERENCES items (id),
    entry TEXT,
    occurrence INTEGER,
    CHECK ((item_id IS NULL) <> (entry IS NULL))
);
CREATE INDEX hand_pair_lines_pair ON hand_pair_lines (hand_pair_id);
CREATE TABLE hand_pairs_withdrawn (
    hand_pair_id INTEGER PRIMARY KEY REFERENCES hand_pairs (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);

-- Lines that somebody was asked to mend at the source. Done when the cause is gone.
CREATE TABLE source_fixes (
    id INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    cause_key TEXT NOT NULL,
    cause TEXT NOT NULL,
    document TEXT NOT NULL,
    customer TEXT NOT NULL,
    entry TEXT NOT NULL,
    amount INTEGER NOT NULL,
    request TEXT NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL,
    UNIQUE (account_id, cause_key, amount)
);
CREATE TRIGGER hand_pairs_keep BEFORE UPDATE ON hand_pairs BEGIN SELECT RAISE(ABORT, 'what a person said is never changed'); END;
CREATE TRIGGER hand_pairs_stay BEFORE DELETE ON hand_pairs BEGIN SELECT RAISE(ABORT, 'what a person said is never deleted'); END;
CREATE TRIGGER source_fixes_keep BEFORE UPDATE ON source_fixes BEGIN SELECT RAISE(ABORT, 'what was asked is never changed'); END;
CREATE TRIGGER source_fixes_stay BEFORE DELETE ON source_fixes BEGIN SELECT RAISE(ABORT, 'what was asked is never deleted'); END;

-- What a proof left open when its period was locked. All other lines through that day agreed; the next proof carries them as a sum. `last_posting` and `last_item`
-- are the last rows that it knew.
CREATE TABLE signed_proofs (
    id INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    through TEXT NOT NULL,
    last_posting INTEGER NOT NULL,
    last_item INTEGER NOT NULL,
    postings INTEGER NOT NULL,
    items INTEGER NOT NULL,
    items_name_entries INTEGER NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX signed_proofs_account ON signed_proofs (account_id, through);
CREATE TABLE signed_proof_open (
    signed_proof_id INTEGER NOT NULL REFERENCES signed_proofs (id),
    posting_id INTEGER REFERENCES postings (id),
    item_id INTEGER REFERENCES items (id),
    CHECK ((posting_id IS NULL) <> (item_id IS NULL))
);
CREATE INDEX signed_proof_open_proof ON signed_proof_open (signed_proof_id);
CREATE TRIGGER signed_proofs_keep BEFORE UPDATE ON signed_proofs BEGIN SELECT RAISE(ABORT, 'a signed proof is never changed'); END;
CREATE TRIGGER signed_proofs_stay BEFORE DELETE ON signed_proofs BEGIN SELECT RAISE(ABORT, 'a signed proof is never deleted'); END;
