-- Tables, columns and commands under the words that screens and code use for them.
ALTER TABLE trail RENAME TO history;
ALTER TABLE school_choice RENAME TO method_choice;
ALTER TABLE method_choice RENAME COLUMN school TO method;
ALTER TABLE method_choice RENAME COLUMN side TO variant;
ALTER TABLE placement RENAME TO filing;
ALTER TABLE filing RENAME COLUMN became TO filed_as;
ALTER TABLE placed RENAME TO fixture;
ALTER TABLE fixture RENAME COLUMN placed TO fixture;
ALTER TABLE site_left RENAME TO site_close_down;
ALTER TABLE left_with_client RENAME TO handed_over;
ALTER TABLE bought RENAME TO purchased;

UPDATE command_log SET type = 'method.choose' WHERE type = 'school.choose';
UPDATE command_log SET type = 'observation.file' WHERE type = 'observation.place';
UPDATE command_log SET type = 'observation.unfile' WHERE type = 'observation.unplace';
UPDATE command_log SET type = 'fixture.add' WHERE type = 'placed.add';
UPDATE command_log SET type = 'fixture.change' WHERE type = 'placed.change';
UPDATE command_log SET type = 'areas.add' WHERE type = 'areas.set-out';
UPDATE command_log SET type = 'site.close-down' WHERE type = 'site.leave';
UPDATE command_log SET type = 'client.hand-over' WHERE type = 'client.leave';
UPDATE command_log SET type = 'shortage.purchase' WHERE type = 'short.buy';
UPDATE command_log SET type = 'shortage.unpurchase' WHERE type = 'short.unbuy';
