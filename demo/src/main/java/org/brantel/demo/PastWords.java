package org.brantel.demo;

/** Of what the past years are put together: people and places of the coast of Skerrow, devices, what happened to them. */
final class PastWords {

    static final String[] FIRST = {
        "Hilda", "Alan", "Edwin", "Callum", "Morag", "Joan", "Ewan", "Neil", "Ruth", "Ailsa", "Bram", "Greta", "Iris",
        "Jory", "Kester", "Linnet", "Magnus", "Nessa", "Orla", "Piers", "Rowan", "Sorcha", "Tavish", "Una", "Wynn"
    };
    static final String[] LAST = {
        "Crane",
        "Moyle",
        "Shore",
        "Reeve",
        "Tait",
        "Pell",
        "Hollis",
        "Sandison",
        "Ansley",
        "Birkett",
        "Calder",
        "Dunmore",
        "Eldritch",
        "Fairlie",
        "Garrow",
        "Haldane",
        "Innes",
        "Jardine",
        "Kerr",
        "Lorimer",
        "Muncaster",
        "Nairn",
        "Orrick",
        "Pringle",
        "Quarrier",
        "Rintoul",
        "Sclater",
        "Tulloch",
        "Urquart",
        "Wedder"
    };
    static final String[] PLACE = {
        "Skerrow",
        "Gannet Head",
        "Marram Quay",
        "Fennel Moss",
        "Little Quay",
        "Northhaven",
        "Corran Bay",
        "Stennet",
        "Old Mill",
        "Peat Road",
        "Harbour",
        "Lower Ness",
        "Upper Ness",
        "Brae",
        "Sandwick Point",
        "Thrift Cliff",
        "Otter Burn",
        "Kelp Row",
        "Bell Rock Lane",
        "Whin Hill"
    };
    static final String[] BODY = {
        "Bakery",
        "Village Band",
        "Parish Hall",
        "Ferry Office",
        "Beekeepers' Circle",
        "Weather Post",
        "Boatyard",
        "Weavers",
        "Museum",
        "Choir",
        "Smithy",
        "Dairy",
        "Rowing Club",
        "Library",
        "Tide Office",
        "Chandlery",
        "Peat Station",
        "Puppet Theatre",
        "Print Shop",
        "Seed Bank"
    };
    static final String[] MAKE = {"Halden", "Corran", "Mossbank", "Fell"};
    static final String[] MODEL = {"Stern", "Fjord", "Brook", "Delve", "Reef", "Sound", "Harbour", "Tarn"};
    static final String[] TYPE = {
        "hdd",
        "hdd",
        "hdd",
        "ssd",
        "ssd",
        "usb-stick",
        "usb-stick",
        "memory-card",
        "memory-card",
        "nvme",
        "phone",
        "nas"
    };
    static final String[][] TROUBLE = {
        {"loss.event=deleted-directly", "symptom.appears=files-missing", "since.use=none"},
        {"loss.event=formatted", "since.use=little"},
        {"loss.event=dropped", "symptom.noise=clicking", "symptom.appears=not-detected"},
        {"symptom.appears=read-errors", "symptom.speed=very-slow"},
        {"symptom.appears=asks-to-format"},
        {"loss.event=power-cut", "symptom.appears=partition-missing"},
        {"symptom.appears=comes-and-goes"},
        {"loss.event=liquid"}
    };
    static final String[] WANTED = {
        "the accounts of the last years",
        "pictures of the harvest",
        "letters to the council",
        "recordings of the concerts",
        "the membership list",
        "scans of the old charts",
        "minutes of the meetings",
        "the drawings for the pier"
    };

    private PastWords() {}
}
