// Colours of the crew's app.
val petrol = Color(0xFF0F5C7A)
val lichen = Color(0xFF8A9A2B)
val heather = Color(0xFF7A4B8F)
