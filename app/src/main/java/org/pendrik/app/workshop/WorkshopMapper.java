package org.pendrik.app.workshop;

import java.util.List;
import org.apache.ibatis.annotations.Delete;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Select;
import org.apache.ibatis.annotations.Update;
import org.jspecify.annotations.Nullable;
import org.pendrik.app.store.MapperBean;
import org.springframework.stereotype.Component;

interface WorkshopMapper {
    @Component
    class Bean extends MapperBean<WorkshopMapper> {
        Bean() {
            super(WorkshopMapper.class);
        }
    }

    record Row(
            String name,
            String zoneId,
            double celsius,
            double humidity,
            int viewingMm,
            int version) {}

    @Select(
            "select name, zone_id, celsius, humidity, viewing_mm, version from workshop where id = 1")
    @Nullable Row find();

    @Select(
            """
            select weekday, from_time, until_time from bench_time
            where workshop_id = 1 order by from_time
            """)
    List<Workshop.BenchTime> benchTime();

    @Insert(
            """
            insert into workshop (id, name, zone_id, celsius, humidity, viewing_mm, version)
            values (1, #{name}, #{zoneId}, #{celsius}, #{humidity}, #{viewingMm}, 0)
            """)
    void insert(Workshop w);

    @Update(
            """
            update workshop set name = #{name}, zone_id = #{zoneId}, celsius = #{celsius}, humidity = #{humidity},
                viewing_mm = #{viewingMm}, version = version + 1
            where id = 1 and version = #{version}
            """)
    int update(Workshop w);

    @Delete("delete from bench_time where workshop_id = 1")
    void clearBenchTime();

    @Insert(
            """
            insert into bench_time (workshop_id, weekday, from_time, until_time)
            values (1, #{weekday}, #{fromTime}, #{untilTime})
            """)
    void addBenchTime(Workshop.BenchTime t);
}
