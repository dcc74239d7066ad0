CREATE TABLE `lesson_summaries` (
	`lesson_id` text PRIMARY KEY NOT NULL,
	`title` text NOT NULL,
	`stop_count` integer NOT NULL,
	`film_ms` integer NOT NULL,
	`reading_ms` integer NOT NULL,
	`answering_ms` integer NOT NULL,
	FOREIGN KEY (`lesson_id`) REFERENCES `lessons`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE TABLE `lesson_uses` (
	`lesson_id` text NOT NULL,
	`draft_of` text,
	`edition_id` text,
	FOREIGN KEY (`lesson_id`) REFERENCES `lessons`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`draft_of`) REFERENCES `lessons`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`edition_id`) REFERENCES `editions`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `lesson_uses_by_lesson` ON `lesson_uses` (`lesson_id`);--> statement-breakpoint
CREATE INDEX `lesson_uses_by_draft` ON `lesson_uses` (`draft_of`);--> statement-breakpoint
CREATE INDEX `lesson_uses_by_edition` ON `lesson_uses` (`edition_id`);--> statement-breakpoint
CREATE TABLE `material_uses` (
	`material_id` text NOT NULL,
	`draft_of` text,
	`edition_id` text,
	`slides_of` text,
	`bank_item_id` text,
	FOREIGN KEY (`material_id`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`draft_of`) REFERENCES `lessons`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`edition_id`) REFERENCES `editions`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`slides_of`) REFERENCES `materials`(`id`) ON UPDATE no action ON DELETE cascade,
	FOREIGN KEY (`bank_item_id`) REFERENCES `bank_items`(`id`) ON UPDATE no action ON DELETE cascade
);
--> statement-breakpoint
CREATE INDEX `material_uses_by_material` ON `material_uses` (`material_id`);--> statement-breakpoint
CREATE INDEX `material_uses_by_draft` ON `material_uses` (`draft_of`);--> statement-breakpoint
CREATE INDEX `material_uses_by_edition` ON `material_uses` (`edition_id`);--> statement-breakpoint
CREATE INDEX `material_uses_by_slides` ON `material_uses` (`slides_of`);--> statement-breakpoint
CREATE INDEX `material_uses_by_bank_item` ON `material_uses` (`bank_item_id`);--> statement-breakpoint
ALTER TABLE `captions` ADD `cue_count` integer DEFAULT 0 NOT NULL;--> statement-breakpoint
UPDATE `captions` SET `cue_count` = coalesce(json_array_length(`cues`, '$.list'), json_array_length(`cues`)) WHERE json_valid(`cues`);--> statement-breakpoint
INSERT INTO `material_uses` (`material_id`, `draft_of`) SELECT DISTINCT m.`id`, l.`id` FROM `lessons` l, json_tree(CASE WHEN json_valid(l.`draft`) THEN l.`draft` ELSE '{}' END) t JOIN `materials` m ON m.`id` = t.`value` WHERE t.`key` = 'materialId';--> statement-breakpoint
INSERT INTO `material_uses` (`material_id`, `edition_id`) SELECT DISTINCT m.`id`, e.`id` FROM `editions` e, json_tree(CASE WHEN json_valid(e.`content`) THEN e.`content` ELSE '{}' END) t JOIN `materials` m ON m.`id` = t.`value` WHERE t.`key` = 'materialId';--> statement-breakpoint
INSERT INTO `material_uses` (`material_id`, `slides_of`) SELECT DISTINCT m.`id`, d.`material_id` FROM `decks` d, json_tree(CASE WHEN json_valid(d.`made`) THEN d.`made` ELSE '{}' END) t JOIN `materials` m ON m.`id` = t.`value` WHERE t.`key` IN ('materialId', 'backgroundId') AND d.`made` IS NOT NULL;--> statement-breakpoint
INSERT INTO `material_uses` (`material_id`, `bank_item_id`) SELECT DISTINCT m.`id`, b.`id` FROM `bank_items` b, json_tree(CASE WHEN json_valid(b.`question`) THEN b.`question` ELSE '{}' END) t JOIN `materials` m ON m.`id` = t.`value` WHERE t.`key` = 'materialId';--> statement-breakpoint
INSERT INTO `lesson_uses` (`lesson_id`, `draft_of`) SELECT DISTINCT i.`id`, l.`id` FROM `lessons` l, json_tree(CASE WHEN json_valid(l.`draft`) THEN l.`draft` ELSE '{}' END) t JOIN `lessons` i ON i.`id` = t.`value` WHERE t.`key` = 'lessonId';--> statement-breakpoint
INSERT INTO `lesson_uses` (`lesson_id`, `edition_id`) SELECT DISTINCT i.`id`, e.`id` FROM `editions` e, json_tree(CASE WHEN json_valid(e.`source`) THEN e.`source` ELSE '{}' END) t JOIN `lessons` i ON i.`id` = t.`value` WHERE t.`key` = 'lessonId' AND e.`source` IS NOT NULL;
