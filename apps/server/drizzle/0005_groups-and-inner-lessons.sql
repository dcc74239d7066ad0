ALTER TABLE `class_students` ADD `groups` text DEFAULT '[]' NOT NULL;--> statement-breakpoint
ALTER TABLE `editions` ADD `source` text;