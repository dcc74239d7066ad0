CREATE TABLE `edition_summaries` (
	`edition_id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`stop_count` integer NOT NULL,
	`film_ms` integer NOT NULL,
	`reading_ms` integer NOT NULL,
	`answering_ms` integer NOT NULL,
	`possible` integer NOT NULL,
	FOREIGN KEY (`edition_id`) REFERENCES `editions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `attempts` ADD `progress` real;--> statement-breakpoint
ALTER TABLE `attempts` ADD `earned` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `possible` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `handed_in_at` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `to_mark` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `waiting_steps` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `returned` integer;--> statement-breakpoint
ALTER TABLE `attempts` ADD `stuck_from` integer;