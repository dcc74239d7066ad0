CREATE TABLE `decks` (
	`material_id` text PRIMARY KEY NOT NULL,
	`slides` text NOT NULL,
	FOREIGN KEY (`material_id`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `jobs` (
	`id` text PRIMARY KEY NOT NULL,
	`kind` text NOT NULL,
	`subject_id` text NOT NULL,
	`status` text NOT NULL,
	`tries` integer NOT NULL,
	`created_at` integer NOT NULL,
	`finished_at` integer
);
--> statement-breakpoint
CREATE INDEX `jobs_by_status` ON `jobs` (`status`,`created_at`);--> statement-breakpoint
CREATE TABLE `pictures` (
	`material_id` text NOT NULL,
	`name` text NOT NULL,
	`sha256` text NOT NULL,
	`mime_type` text NOT NULL,
	`width` integer NOT NULL,
	`height` integer NOT NULL,
	`alt` text,
	PRIMARY KEY(`material_id`, `name`),
	FOREIGN KEY (`material_id`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `pictures_by_file` ON `pictures` (`sha256`);--> statement-breakpoint
CREATE TABLE `readings` (
	`material_id` text PRIMARY KEY NOT NULL,
	`blocks` text NOT NULL,
	FOREIGN KEY (`material_id`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
ALTER TABLE `materials` ADD `source_url` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `captions_url` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `kind` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `progress` real;--> statement-breakpoint
ALTER TABLE `materials` ADD `left_out` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `level` text;--> statement-breakpoint
ALTER TABLE `materials` ADD `replaces_id` text;--> statement-breakpoint
UPDATE `materials` SET `kind` = 'film' WHERE `sha256` IS NOT NULL;--> statement-breakpoint
INSERT INTO `jobs` (`id`, `kind`, `subject_id`, `status`, `tries`, `created_at`) SELECT `id`, 'import', `id`, 'waiting', 0, `created_at` FROM `materials` WHERE `status` = 'checking';
