CREATE TABLE `prices` (
	`id` integer PRIMARY KEY NOT NULL,
	`fuel` real,
	`labour` real,
	`money` text NOT NULL,
	CONSTRAINT "prices_are_one_row" CHECK("prices"."id" = 1),
	CONSTRAINT "prices_are_some" CHECK(coalesce("prices"."fuel", 1) > 0 and coalesce("prices"."labour", 1) > 0)
);
--> statement-breakpoint
ALTER TABLE `wear_part` ADD `price` real;