-- The ledger of a job's first option as it was last computed: on the screen at once when the job is opened.
ALTER TABLE job ADD COLUMN last_lines JSON NULL;
