-- An artwork of a thousand frames with brackets is longer than 64 KB.
ALTER TABLE artwork MODIFY COLUMN document MEDIUMTEXT NOT NULL;
