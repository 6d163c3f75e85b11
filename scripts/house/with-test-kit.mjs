/** Imported before all else by what builds for tests: it builds with their own trade kit, beside what is shipped. */
process.env.ANT_TRAIL_MORE_KITS = 'walls';
