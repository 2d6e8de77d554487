-- Whether a job is open is all that its row has to say: where it stands follows from the plant, the rules and the defects of today.
UPDATE `job_row` SET `stage` = 'open' WHERE `stage` <> 'closed';
