-- Notes on documents, customers and causes, each with a file or a link where there is one. A note is struck out, never deleted.
CREATE TABLE notes (
    id INTEGER PRIMARY KEY,
    subject TEXT NOT NULL,          -- `item 12`, `customer 3`, `cause 1 amount_differs-5-7`
    text TEXT NOT NULL,
    link TEXT NOT NULL,
    file_name TEXT NOT NULL,
    file_sha256 TEXT NOT NULL,
    file_bytes INTEGER NOT NULL,
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE INDEX notes_subject ON notes (subject);
CREATE TABLE notes_struck (
    note_id INTEGER PRIMARY KEY REFERENCES notes (id),
    who TEXT NOT NULL,
    recorded_at TEXT NOT NULL
);
CREATE TRIGGER notes_keep BEFORE UPDATE ON notes BEGIN SELECT RAISE(ABORT, 'a note is never changed'); END;
CREATE TRIGGER notes_stay BEFORE DELETE ON notes BEGIN SELECT RAISE(ABORT, 'a note is never deleted'); END;
CREATE TRIGGER notes_struck_keep BEFORE UPDATE ON notes_struck BEGIN SELECT RAISE(ABORT, 'a note is never changed'); END;
CREATE TRIGGER notes_struck_stay BEFORE DELETE ON notes_struck BEGIN SELECT RAISE(ABORT, 'a note is never deleted'); END;
