CREATE TABLE `as_built` (
	`point` text PRIMARY KEY NOT NULL,
	`job` text NOT NULL,
	`actor` text NOT NULL,
	`at` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `plant_version` (
	`version` integer PRIMARY KEY NOT NULL,
	`document` text NOT NULL,
	`digest` text NOT NULL,
	`note` text NOT NULL,
	`actor` text NOT NULL,
	`at` text NOT NULL
);
