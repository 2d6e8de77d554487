CREATE TABLE `command_seen` (
	`key` text PRIMARY KEY NOT NULL,
	`stream` text NOT NULL,
	`fingerprint` text NOT NULL,
	`sequence` integer NOT NULL
);
--> statement-breakpoint
CREATE TABLE `event` (
	`id` integer PRIMARY KEY AUTOINCREMENT NOT NULL,
	`stream` text NOT NULL,
	`sequence` integer NOT NULL,
	`type` text NOT NULL,
	`payload` text NOT NULL,
	`actor` text NOT NULL,
	`at` text NOT NULL,
	`policy` text NOT NULL,
	`previous_hash` text NOT NULL,
	`hash` text NOT NULL
);
--> statement-breakpoint
CREATE UNIQUE INDEX `event_stream_sequence` ON `event` (`stream`,`sequence`);--> statement-breakpoint
CREATE TABLE `holding` (
	`kind` text NOT NULL,
	`item` text NOT NULL,
	`job` text NOT NULL,
	PRIMARY KEY(`kind`, `item`)
);
--> statement-breakpoint
CREATE INDEX `holding_job` ON `holding` (`job`);--> statement-breakpoint
CREATE TABLE `job_row` (
	`id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`equipment` text NOT NULL,
	`stage` text NOT NULL,
	`raised_at` text NOT NULL,
	`until` text
);
--> statement-breakpoint
CREATE TABLE `person` (
	`id` text PRIMARY KEY NOT NULL,
	`name` text NOT NULL,
	`employer` text NOT NULL,
	`authorisations` text NOT NULL,
	`pin_hash` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `register` (
	`name` text PRIMARY KEY NOT NULL,
	`version` integer NOT NULL,
	`document` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `setting` (
	`name` text PRIMARY KEY NOT NULL,
	`value` text NOT NULL
);
