CREATE TABLE `session` (
	`id` text PRIMARY KEY NOT NULL,
	`person` text NOT NULL,
	`pin` text NOT NULL,
	`roles` text NOT NULL,
	`began_ms` integer NOT NULL,
	`seen_ms` integer NOT NULL,
	`ends_ms` integer
);
--> statement-breakpoint
ALTER TABLE `event` ADD `signature` text;--> statement-breakpoint
DELETE FROM `setting` WHERE `name` = 'session-secret';
