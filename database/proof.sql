-- A cause that a person carries with a reason. It holds while the cause and its amount stay what they were.
CREATE TABLE carried_causes (
    id INTEGER PRIMARY KEY,
    account_id INTEGER NOT NULL REFERENCES accounts (id),
    cause_key TEXT NOT NULL,
    amount INTEGER NOT NULL,
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
