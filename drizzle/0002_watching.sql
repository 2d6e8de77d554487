CREATE TABLE `audit_row` (
	`job` text NOT NULL,
	`number` integer NOT NULL,
	`at` text NOT NULL,
	`document` text NOT NULL,
	PRIMARY KEY(`job`, `number`)
);
--> statement-breakpoint
CREATE TABLE `permit_row` (
	`number` text PRIMARY KEY NOT NULL,
	`job` text NOT NULL,
	`state` text NOT NULL,
	`papers` text NOT NULL,
	`performer` text NOT NULL,
	`issuer` text NOT NULL,
	`issued_at` text NOT NULL,
	`until` text NOT NULL,
	`handed_back_at` text,
	`closed_at` text
);
--> statement-breakpoint
CREATE INDEX `permit_row_job` ON `permit_row` (`job`);--> statement-breakpoint
CREATE INDEX `permit_row_issued` ON `permit_row` (`issued_at`);--> statement-breakpoint
CREATE INDEX `permit_row_state` ON `permit_row` (`state`);--> statement-breakpoint
CREATE TABLE `work_order` (
	`number` text PRIMARY KEY NOT NULL,
	`document` text NOT NULL,
	`received_at` text NOT NULL,
	`source` text NOT NULL,
	`job` text
);
