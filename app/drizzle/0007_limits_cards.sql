ALTER TABLE "limits_cards" ADD COLUMN "printer_model" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "limits_cards" ADD COLUMN "owner_id" text;--> statement-breakpoint
ALTER TABLE "hand_ins" ADD COLUMN "doubt" text;--> statement-breakpoint
ALTER TABLE "limits_cards" ADD CONSTRAINT "limits_cards_owner_id_users_id_fk" FOREIGN KEY ("owner_id") REFERENCES "public"."users"("id") ON DELETE set null ON UPDATE no action;