CREATE TABLE `pin_code` (
	`person` text PRIMARY KEY NOT NULL,
	`digest` text NOT NULL,
	`ends_ms` integer NOT NULL,
	`by` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
ALTER TABLE `person` ADD `left_at` text;