CREATE TABLE `layout` (
	`digest` text PRIMARY KEY NOT NULL,
	`document` text NOT NULL
);
--> statement-breakpoint
CREATE TABLE `photo` (
	`digest` text PRIMARY KEY NOT NULL,
	`bytes` blob NOT NULL,
	`by` text NOT NULL,
	`at` text NOT NULL
);
