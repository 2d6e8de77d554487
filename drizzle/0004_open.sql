CREATE INDEX `job_row_open` ON `job_row` (`id`) WHERE stage <> 'closed';--> statement-breakpoint
CREATE INDEX `job_row_equipment` ON `job_row` (`equipment`);