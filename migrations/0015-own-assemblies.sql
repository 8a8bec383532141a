-- Assemblies that the firm changed or made after one that ships: lines and goods are its own, all else is of its base.
CREATE TABLE own_assembly (
  -- The name of what it takes the place of, or a name of its own.
  key TEXT PRIMARY KEY,
  base TEXT NOT NULL,
  title TEXT NOT NULL,
  says TEXT NOT NULL,
  lines TEXT NOT NULL CHECK (json_valid(lines)),
  goods TEXT NOT NULL CHECK (json_valid(goods))
) STRICT, WITHOUT ROWID;
