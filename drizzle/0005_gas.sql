CREATE TABLE `gas_reading` (
	`device` text NOT NULL,
	`number` integer NOT NULL,
	`at_ms` integer NOT NULL,
	`received_ms` integer NOT NULL,
	`gas` text NOT NULL,
	`shown` real NOT NULL,
	`unit` text NOT NULL,
	PRIMARY KEY(`device`, `number`)
);
--> statement-breakpoint
CREATE INDEX `gas_reading_at` ON `gas_reading` (`device`,`at_ms`);